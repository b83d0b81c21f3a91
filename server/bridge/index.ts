// Here: the instrument bridge: devices outside the browser (a laser meter, a label printer, a network switch, a cable tester) behind adapters, and simulated ones on loopback.
// Not here: what is done with a reading.
// Start with `startBridge`.
import { type LabelPrinter, rawPrinter } from './label-printer.ts';
import { startLabelPrinterSimulator } from './label-printer-simulator.ts';
import { type LaserMeter, lineLaser } from './laser.ts';
import { startLaserSimulator } from './laser-simulator.ts';
import { type CableTester, lineTester } from './cable-tester.ts';
import { lineSwitch, type NetworkSwitch } from './network-switch.ts';
import { startTesterSimulator } from './tester-simulator.ts';
import { startSwitchSimulator } from './switch-simulator.ts';

export { rawPrinter, type LabelPrinter } from './label-printer.ts';
export { startLabelPrinterSimulator, type PrintedJob } from './label-printer-simulator.ts';
export type { LaserMeter } from './laser.ts';
export { lineLaser } from './laser.ts';
export { startLaserSimulator } from './laser-simulator.ts';
export { lineSwitch, type NetworkSwitch } from './network-switch.ts';
export { startSwitchSimulator, SWITCH_SCRIPTS } from './switch-simulator.ts';

export { type CableTester, lineTester } from './cable-tester.ts';
export { simulatedReading, startTesterSimulator, TESTER_SCRIPTS } from './tester-simulator.ts';

export interface Bridge {
  readonly tester: CableTester;
  readonly testerIsSimulated: boolean;
  readonly laser: LaserMeter;
  readonly networkSwitch: NetworkSwitch;
  readonly switchIsSimulated: boolean;
  readonly printer: LabelPrinter;
  readonly printerIsSimulated: boolean;
  readonly instruments: readonly { readonly kind: string; readonly name: string; readonly simulated: boolean }[];
  readonly close: () => void;
}

/**
 * Starts the bridge. `LASER_PORT` points it at a meter's own line server on loopback instead of the simulated one, `LABEL_PRINTER_PORT`
 * at a printer that takes PDF jobs as bytes, `SWITCH_PORT` and `TESTER_PORT` at programs that speak the line protocol for a real switch or
 * cable tester.
 */
export async function startBridge(
  laserPort = process.env.LASER_PORT,
  printerPort = process.env.LABEL_PRINTER_PORT,
  switchPort = process.env.SWITCH_PORT,
  testerPort = process.env.TESTER_PORT,
): Promise<Bridge> {
  const simulated = laserPort ? null : await startLaserSimulator();
  const laser: LaserMeter = lineLaser(simulated ? 'simulated laser meter' : 'laser meter', simulated?.port ?? Number(laserPort));
  const paper = printerPort ? null : await startLabelPrinterSimulator();
  const printer = rawPrinter(paper ? 'simulated label printer' : 'label printer', paper?.port ?? Number(printerPort));
  const ports = switchPort ? null : await startSwitchSimulator();
  const networkSwitch = lineSwitch(
    ports ? 'simulated network switch' : 'network switch',
    ports?.port ?? Number(switchPort),
    ports !== null,
  );
  const cables = testerPort ? null : await startTesterSimulator();
  const tester = lineTester(
    cables ? 'simulated cable tester' : 'cable tester',
    cables?.port ?? Number(testerPort),
    cables !== null,
  );
  for (const server of [cables?.server, simulated?.server, paper?.server, ports?.server]) {
    server?.on('error', () => undefined);
    server?.unref();
  }
  return {
    laser,
    printer,
    printerIsSimulated: paper !== null,
    networkSwitch,
    switchIsSimulated: ports !== null,
    tester,
    testerIsSimulated: cables !== null,
    instruments: [
      { kind: 'laser', name: laser.name, simulated: simulated !== null },
      { kind: 'printer', name: printer.name, simulated: paper !== null },
      { kind: 'switch', name: networkSwitch.name, simulated: ports !== null },
      { kind: 'tester', name: tester.name, simulated: cables !== null },
    ],
    close: () => {
      simulated?.server.close();
      paper?.server.close();
      ports?.server.close();
      cables?.server.close();
    },
  };
}
