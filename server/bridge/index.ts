// Here: the instrument bridge: devices outside the browser (a laser meter) behind adapters, and simulated ones on loopback.
// Not here: what is done with a reading.
// Start with `startBridge`.
import { Router } from 'express';
import { refusal } from '../http/index.ts';
import { lineLaser, type LaserMeter } from './laser.ts';
import { startLaserSimulator } from './laser-simulator.ts';

export type { LaserMeter } from './laser.ts';
export { lineLaser } from './laser.ts';
export { startLaserSimulator } from './laser-simulator.ts';

export interface Bridge {
  readonly routes: Router;
  readonly close: () => void;
}

/** Starts the bridge. `LASER_PORT` points it at a meter's own line server on loopback instead of the simulated one. */
export async function startBridge(laserPort = process.env.LASER_PORT): Promise<Bridge> {
  const simulated = laserPort ? null : await startLaserSimulator();
  const laser: LaserMeter = lineLaser(simulated ? 'simulated laser meter' : 'laser meter', simulated?.port ?? Number(laserPort));
  simulated?.server.unref();
  const routes = Router();
  routes.get('/bridge', (_request, response) => {
    response.json({ instruments: [{ kind: 'laser', name: laser.name, simulated: simulated !== null }] });
  });
  routes.post('/bridge/:kind/measure', async (request, response) => {
    if (request.params.kind !== 'laser') throw refusal('not-found', { field: 'instrument' });
    response.json({ lengthM: await laser.measure() });
  });
  return { routes, close: () => simulated?.server.close() };
}
