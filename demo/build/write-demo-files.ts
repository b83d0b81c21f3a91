import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeProjectFile } from '../../core/model/index.ts';
import { buildCottage } from './cottage.ts';
import { buildFlat } from './flat.ts';
import { buildGranary } from './granary.ts';
import { buildMerrowfen } from './merrowfen.ts';

/** Writes the demo projects in our own open format; the same plans give the same files. */
const granary = buildGranary({
  shortId: '7K3MQ',
  name: 'Saltmarsh Granary',
  description: 'A converted granary by a tidal creek: three levels between stone walls, one riser, rack in the plant room.',
  client: 'The granary household',
  address: 'Creek Lane',
});
const files = {
  'saltmarsh-granary': granary.project,
  'merrowfen-landing': buildMerrowfen(),
  'tollgate-cottage': buildCottage(),
  'ropewalk-flat': buildFlat(),
};
for (const [name, project] of Object.entries(files)) {
  writeFileSync(join(import.meta.dirname, '..', `${name}.spool.json`), writeProjectFile({ project, pictures: [] }));
  const { levels, rooms, devices, runs } = project;
  console.log(
    name,
    ...Object.entries({ levels, rooms, devices, runs }).map(([list, table]) => `${Object.keys(table).length} ${list}`),
  );
}
