import { createRoot } from 'react-dom/client';
import '@fontsource-variable/hanken-grotesk/index.css';
import '@fontsource/barlow-semi-condensed/latin-500.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';
import '@fontsource/spline-sans-mono/latin-500.css';
import '@fontsource/spline-sans-mono/latin-600.css';
import './styles/tokens.css';
import './styles/base.css';
import './styles/frame.css';
import './styles/plan.css';
import './styles/ledger.css';
import './styles/screens.css';
import './styles/survey.css';
import { registerSW } from 'virtual:pwa-register';
import { askEarly } from './api/http.ts';
import { App } from './app/App.tsx';
import { signStyles } from './app/style-nonce.ts';

signStyles();
registerSW({ immediate: true });
askEarly('/session');
// A link into a project: its screen and its data are fetched while the session is looked up.
const linked = /^\/p\/([0-9a-f-]{36})\//.exec(window.location.pathname);
if (linked) {
  askEarly(`/projects/${linked[1]}`);
  void import('./screens/ProjectFrame.tsx');
}
createRoot(document.getElementById('root')!).render(<App />);
