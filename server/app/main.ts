import { loadDemo } from '../demo/index.ts';
import { configFromEnvironment } from './config.ts';
import { startServer } from './create-app.ts';

const config = configFromEnvironment();
const running = await startServer(config);
if (config.demo) await loadDemo(running.database);
console.log(JSON.stringify({ ready: true, address: running.address }));

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    void running.close().then(() => process.exit(0));
  });
}
