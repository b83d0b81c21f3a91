// Here: the instrument bridge: devices outside the browser (a laser meter) behind adapters, and simulated ones on loopback.
// Not here: what is done with a reading.
// Start with `startBridge`.
import { Router } from 'express';
import { refusal } from '../http/index.ts';
import { rawPrinter, type LabelPrinter } from './label-printer.ts';
import { startLabelPrinterSimulator } from './label-printer-simulator.ts';
import { lineLaser, type LaserMeter } from './laser.ts';
import { startLaserSimulator } from './laser-simulator.ts';

export { rawPrinter, type LabelPrinter } from './label-printer.ts';
export { startLabelPrinterSimulator, type PrintedJob } from './label-printer-simulator.ts';
export type { LaserMeter } from './laser.ts';
export { lineLaser } from './laser.ts';
export { startLaserSimulator } from './laser-simulator.ts';

export interface Bridge {
  readonly routes: Router;
  readonly printer: LabelPrinter;
  readonly close: () => void;
}

/**
 * Starts the bridge. `LASER_PORT` points it at a meter's own line server on loopback instead of the simulated one, `LABEL_PRINTER_PORT`
 * at a printer that takes PDF jobs as bytes.
 */
export async function startBridge(
  laserPort = process.env.LASER_PORT,
  printerPort = process.env.LABEL_PRINTER_PORT,
): Promise<Bridge> {
  const simulated = laserPort ? null : await startLaserSimulator();
  const laser: LaserMeter = lineLaser(simulated ? 'simulated laser meter' : 'laser meter', simulated?.port ?? Number(laserPort));
  simulated?.server.unref();
  const paper = printerPort ? null : await startLabelPrinterSimulator();
  paper?.server.unref();
  const printer = rawPrinter(paper ? 'simulated label printer' : 'label printer', paper?.port ?? Number(printerPort));
  const routes = Router();
  routes.get('/bridge', (_request, response) => {
    response.json({
      instruments: [
        { kind: 'laser', name: laser.name, simulated: simulated !== null },
        { kind: 'printer', name: printer.name, simulated: paper !== null },
      ],
    });
  });
  routes.post('/bridge/:kind/measure', async (request, response) => {
    if (request.params.kind !== 'laser') throw refusal('not-found', { field: 'instrument' });
    response.json({ lengthM: await laser.measure() });
  });
  // What the simulated printer would have printed, newest first.
  routes.get('/bridge/printer/jobs', (_request, response) => {
    const jobs = paper?.jobs() ?? [];
    response.json({ simulated: paper !== null, jobs: jobs.map(({ id, type, pages }) => ({ id, type, pages })) });
  });
  routes.get('/bridge/printer/jobs/:id', (request, response) => {
    const job = paper?.jobs().find(({ id }) => String(id) === request.params.id);
    if (!job) throw refusal('not-found', { field: 'job' });
    response.type(job.type).send(job.bytes);
  });
  const close = () => {
    simulated?.server.close();
    paper?.server.close();
  };
  return { routes, printer, close };
}
