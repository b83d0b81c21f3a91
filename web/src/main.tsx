import { createRoot } from 'react-dom/client';
import '@fontsource-variable/hanken-grotesk/index.css';
import '@fontsource/barlow-semi-condensed/latin-500.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';
import '@fontsource/spline-sans-mono/latin-500.css';
import '@fontsource/spline-sans-mono/latin-600.css';
import './styles/tokens.css';
import './styles/shared.css';
import { registerSW } from 'virtual:pwa-register';
import { App } from './app/App.tsx';
import { signStyles } from './ground/style-nonce.ts';

signStyles();
registerSW({ immediate: true });
createRoot(document.getElementById('root')!).render(<App />);
