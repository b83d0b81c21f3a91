// The entry of a runner's thread: TypeScript is registered in each thread, then the runner itself is loaded.
import { register } from 'tsx/esm/api';

register();
await import('./runner.ts');
