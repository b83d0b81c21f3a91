import { benchApp } from './app.ts';
import { checkFigures } from './checks.ts';
import { documentFigures } from './documents.ts';
import { benchDevices } from './devices.ts';
import { benchRouting } from './routing.ts';
import { loadFigures } from './load.ts';
import { pictureFigures } from './pictures.ts';
import { headEndFigures } from './head-end.ts';
import { spoolFigures } from './spools.ts';
import { theatreFigures } from './theatre.ts';
import { benchSurvey } from './survey.ts';
import type { Figure } from './figure.ts';

/** Measures the areas named on the command line and prints their figures as JSON. */
const AREAS: Record<string, () => Figure[] | Promise<Figure[]>> = {
  app: benchApp,
  survey: benchSurvey,
  devices: benchDevices,
  routing: benchRouting,
  checks: checkFigures,
  pictures: pictureFigures,
  theatre: theatreFigures,
  'head-end': headEndFigures,
  spools: spoolFigures,
  documents: documentFigures,
  load: loadFigures,
};
const figures: Figure[] = [];
for (const area of process.argv.slice(2)) figures.push(...(await AREAS[area]()));
console.log(JSON.stringify(figures));
process.exit(figures.every((one) => one.ok) ? 0 : 1);
