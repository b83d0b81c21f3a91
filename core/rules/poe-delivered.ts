import { POE_CLASSES, poeDelivered, wireResistance } from '../calculators/index.ts';
import type { CableType, ProjectDocument } from '../model/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { defineCheck, say } from './check.ts';
import { exchange, thickerThan } from './cures.ts';

/** Power over the network cable reaches its device. */
export const poeDeliveredCheck = defineCheck({
  id: 'poe-delivered',
  title: 'Power over network cable arrives',
  source: 'IEEE 802.3 af, at, bt',
  calculators: ['poe-link'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes', 'project'],
  ofRun: (planned, { project }) => {
    const { run, device } = planned;
    const type = project.deviceTypes[device.typeId];
    const cable = project.cableTypes[run.cableTypeId];
    if (type.poeClass === null || cable.family !== 'cat' || !planned.length || cable.material !== 'copper') return [];
    const of = POE_CLASSES[type.poeClass];
    const over = judged(project, planned, cable, of);
    if (!over) return [];
    const subjects = [
      { in: 'runs' as const, id: run.id },
      { in: 'devices' as const, id: device.id },
    ];
    return [
      say(
        'stop',
        'poe-short',
        subjects,
        { number: run.number, device: type.name, poeClass: type.poeClass, watts: of.deviceW, ...over },
        {
          measured: over.sourceW,
          allowed: of.sourceW,
          unit: 'W',
          cures: (house) => {
            const better = thickerThan(house, cable).find((one) => !judged(house, planned, one, of));
            const operations = exchange(house, run.id, better);
            return better && operations.length > 0 ? [{ code: 'use-cable', figures: { name: better.name }, operations }] : [];
          },
        },
      ),
    ];
  },
});

/** What the source would have to give; null where the class covers it. */
function judged(
  project: ProjectDocument,
  { length }: PlannedRun,
  cable: CableType,
  of: (typeof POE_CLASSES)[number],
): { sourceW: number; lengthM: number } | null {
  const wire = wireResistance({
    gaugeAwg: cable.gaugeAwg ?? 24,
    stranded: cable.stranded,
    temperatureC: Math.max(-20, Math.min(90, project.project.ambientC)),
  });
  const lengthM = length!.cutLengthM;
  const found = poeDelivered(of.deviceW, of, lengthM, wire.ok ? wire.value.ohmPerKm / 1000 : undefined);
  if (!found.ok) return { sourceW: Infinity, lengthM };
  return found.value.sourceW > of.sourceW * (1 + 1e-3) ? { sourceW: found.value.sourceW, lengthM } : null;
}
