import { useEffect } from 'react';
import { App as AntApp, Button, ConfigProvider } from 'antd';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { useSession } from '../ground/api/session.ts';
import { SignIn } from '../screens/sign-in/SignIn.tsx';
import { Join, Reset } from '../screens/sign-in/Links.tsx';
import { useSettings } from '../state/settings.ts';
import { pageNonce } from '../ground/style-nonce.ts';
import { later } from '../ground/later.ts';
import { text } from '../ground/text.ts';
import { themeFor } from '../ground/theme.ts';
import { useReducedMotion } from '../ground/useReducedMotion.ts';
import css from './app.module.css';

/** Plain, so that the first picture waits for no part of the library. */
const Waiting = () => <main className="centre waiting">{text('loading')}</main>;

const Projects = later(() => import('../screens/projects/Projects.tsx').then((module) => module.Projects), <Waiting />);
const AwayPage = later(() => import('../screens/projects/KeptHouses.tsx').then((module) => module.AwayPage), <Waiting />);
const ProjectFrame = later(() => import('./ProjectFrame.tsx').then((module) => module.ProjectFrame), <Waiting />);
const PeopleScreen = later(() => import('../screens/people/PeopleScreen.tsx').then((module) => module.PeopleScreen), <Waiting />);
const AccountScreen = later(
  () => import('../screens/account/AccountScreen.tsx').then((module) => module.AccountScreen),
  <Waiting />,
);
const GuideScreen = later(() => import('../screens/guide/GuideScreen.tsx').then((module) => module.GuideScreen), <Waiting />);
const Scan = later(() => import('../screens/scan/Scan.tsx').then((module) => module.Scan), <Waiting />);

/** The whole app: theme, session, routes. */
export function App() {
  const dusk = useSettings((state) => state.dusk);
  const reducedMotion = useReducedMotion();
  useEffect(() => {
    document.documentElement.dataset.theme = dusk ? 'dusk' : 'vellum';
  }, [dusk]);
  return (
    <ConfigProvider theme={themeFor(dusk, reducedMotion)} csp={pageNonce ? { nonce: pageNonce } : undefined}>
      <AntApp className={css.app} message={{ maxCount: 2 }}>
        <BrowserRouter useTransitions={false}>
          <Routes>
            <Route path="/scan" element={<Scan />} />
            <Route path="/guide/:page?" element={<GuideScreen />} />
            <Route path="/join" element={<Join />} />
            <Route path="/reset" element={<Reset />} />
            <Route path="*" element={<Inside />} />
          </Routes>
        </BrowserRouter>
      </AntApp>
    </ConfigProvider>
  );
}

/** Everything that needs an account. Without a connection, houses kept on this device still open. */
function Inside() {
  const { session, away, read } = useSession();
  useEffect(() => void read(), [read]);
  const project = useLocation().pathname.startsWith('/p/');
  if (!session && !away) return <Waiting />;
  if (away && !project) return <AwayPage onRetry={() => void read()} />;
  if (session && !session.member) return <SignIn />;
  return (
    <Routes>
      <Route path="/" element={<Navigate to="/projects" replace />} />
      <Route path="/projects" element={<Projects />} />
      <Route path="/people" element={<PeopleScreen />} />
      <Route path="/account" element={<AccountScreen />} />
      <Route path="/p/:projectId" element={<Navigate to="devices" replace />} />
      <Route path="/p/:projectId/:stage" element={<ProjectFrame />} />
      <Route
        path="*"
        element={
          <main className="centre">
            <p>{text('pageMissing')}</p>
            <Button href="/projects">{text('toProjects')}</Button>
          </main>
        }
      />
    </Routes>
  );
}
