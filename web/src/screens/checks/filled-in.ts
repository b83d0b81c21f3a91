import type { ProjectDocument } from '@dusky-spool/core/project';
import type { PlannedRun } from '@dusky-spool/core/runs';

/** What the project, and a run where one is chosen, know of the fields of a calculator. */
export function filledIn(
  { project, cableTypes, deviceTypes }: Pick<ProjectDocument, 'project' | 'cableTypes' | 'deviceTypes'>,
  planned: PlannedRun | undefined,
  fields: Readonly<Record<string, unknown>>,
): Record<string, unknown> {
  const known: Record<string, unknown> = {
    temperatureC: Math.max(-20, Math.min(60, project.ambientC)),
    jurisdiction: project.jurisdiction,
    units: project.units,
    construction: project.construction === 'new-framing' ? 'new' : 'retrofit',
  };
  if (planned) {
    const cable = cableTypes[planned.run.cableTypeId];
    const type = deviceTypes[planned.device.typeId];
    const { length } = planned;
    Object.assign(known, {
      ...(cable.gaugeAwg === null ? {} : { gaugeAwg: cable.gaugeAwg }),
      stranded: cable.stranded,
      ...(cable.material === 'copper' || cable.material === 'cca' ? { material: cable.material } : {}),
      outsideM: cable.outsideDiameterM,
      diametersM: [cable.outsideDiameterM],
      conductors: cable.conductors,
      ...(length
        ? {
            lengthM: length.cutLengthM,
            riseM: length.riseM,
            runM: length.runM,
            dropM: length.dropM,
            deviceSlackM: length.deviceSlackM,
            rackSlackM: length.rackSlackM,
          }
        : {}),
      ...(type.impedanceOhm === null
        ? {}
        : { loadOhm: type.impedanceOhm, impedanceOhm: type.impedanceOhm, loadsOhm: [type.impedanceOhm] }),
      ...(type.soundUse === null ? {} : { use: type.soundUse }),
      ...(type.poeClass === null ? {} : { poeClass: type.poeClass }),
      ...(type.dcV === null || type.dcW === null ? {} : { supplyV: type.dcV, powerW: type.dcW, currentA: type.dcW / type.dcV }),
      ...(type.weightKg > 0 ? { massKg: type.weightKg } : {}),
      ...(type.sensitivityDb === null ? {} : { sensitivityDb: type.sensitivityDb }),
      ...(/rg(59|6|11)/.test(cable.id) ? { kind: cable.id.replace(/_.*/, '') } : {}),
      ...(/^cat(5e|6a?)/.test(cable.id) ? { category: /^cat(5e|6a?)/.exec(cable.id)![1] } : {}),
    });
  }
  return Object.fromEntries(Object.entries(known).filter(([name]) => Object.hasOwn(fields, name)));
}
