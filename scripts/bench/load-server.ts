// The server of the load figures: as `npm start` runs it, and it reports its heap after a collection when asked.
import { configFromEnvironment } from '../../server/services/config.ts';
import { startServer } from '../../server/app/create-app.ts';

const running = await startServer(configFromEnvironment());
process.send?.({ address: running.address });
process.on('message', () => {
  (globalThis as { gc?: () => void }).gc?.();
  const { heapUsed, external } = process.memoryUsage();
  process.send?.({ heapMb: (heapUsed + external) / 1e6 });
});
process.on('disconnect', () => process.exit(0));
