import { HOURS } from '../../calculators/index.ts';
import type { Outcome } from '../../math/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import type { PlannedRun } from '../../runs/index.ts';
import { type Opened, openedBy } from './opened.ts';
import { surfaceRoute, type SurfaceRoute } from '../../routing/index.ts';

/** A run in the walls beside the same run on the surface, each with its price in the currency of the project (practice A82, C27). */
export interface BothRoutes {
  readonly inWall: (Opened & { readonly price: number; readonly hours: number }) | null;
  readonly surface: Outcome<SurfaceRoute & { readonly paintedM2: number; readonly price: number; readonly hours: number }>;
}

/** A channel of 40 by 20 mm has this much to paint a metre, m2. */
const CHANNEL_M2 = 0.08;

/** Both routes to lead a run in a finished house. Areas in m2; hours are person-hours in a band of 40 %. */
export function bothRoutes(project: ProjectDocument, planned: PlannedRun): BothRoutes {
  const { siteRates, labourRate } = project.project;
  const perM = project.cableTypes[planned.run.cableTypeId].pricePerM;
  const { length } = planned;
  const opened = length ? openedBy(project, planned) : null;
  const inWallHours = opened ? HOURS.pull.retrofit + opened.openings * HOURS.hole.retrofit : 0;
  const found = surfaceRoute(project, planned.run);
  return {
    inWall:
      opened && length
        ? {
            ...opened,
            hours: inWallHours,
            price:
              length.cutLengthM * perM +
              opened.openedM2 * siteRates.openingPerM2 +
              opened.paintedM2 * siteRates.paintPerM2 +
              inWallHours * labourRate,
          }
        : null,
    surface: found.ok ? { ok: true, value: priced(project, found.value, perM) } : found,
  };
}

function priced(project: ProjectDocument, route: SurfaceRoute, perM: number) {
  const { siteRates, labourRate } = project.project;
  const allM = route.channelM + route.uprightM;
  const hours = allM * HOURS.conduitM.retrofit + (route.wallsPierced + route.floorsPierced) * HOURS.floorCrossing.retrofit;
  const paintedM2 = allM * CHANNEL_M2;
  return {
    ...route,
    paintedM2,
    hours,
    price: allM * (perM + siteRates.channelPerM) + paintedM2 * siteRates.paintPerM2 + hours * labourRate,
  };
}
