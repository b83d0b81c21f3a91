import { dishAim, mastSpacing, transmitterBearing } from '../calculators/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import type { RfSourceRecord } from '../model/index.ts';

/** Where an antenna or a dish looks, and what stands in its way. Angles in degrees, from true north unless it says otherwise. */
export interface Aim {
  readonly kind: 'transmitter' | 'satellite';
  readonly trueDeg: number;
  readonly compassDeg: number;
  readonly elevationDeg: number;
  /** Dishes: turned clockwise, seen from behind. */
  readonly skewDeg: number | null;
  readonly distanceKm: number;
  /** The highest obstacle within five degrees of the bearing. */
  readonly obstacleDeg: number;
  /** It looks over it: a dish by five degrees (ENGINEERING 5.6), an antenna by none. */
  readonly isClear: boolean;
  /** Two antennas of one band stand apart by a wavelength, half of one at the least, m. */
  readonly apartM: number;
  readonly leastApartM: number;
}

const BESIDE_DEG = 5;
const OVER_DEG = 5;

/** Where a signal's antenna or dish looks. Problems by field: a place that is missing, and those of the two calculators. */
export function aimOf(source: RfSourceRecord): Outcome<Aim> {
  const { latitudeDeg, longitudeDeg, slotDeg, declinationDeg, transmitterLatitudeDeg, transmitterLongitudeDeg } = source;
  const missing = (field: string) => err('aim-no-place', { kind: 'incomplete', field });
  if (latitudeDeg === null) return missing('latitudeDeg');
  if (longitudeDeg === null) return missing('longitudeDeg');
  const apart = mastSpacing.run({ lowestMhz: source.lowestMhz, apartM: null, mastM: 0, lineDistanceM: null });
  if (!apart.ok) return apart;
  const spacing = { apartM: apart.value.wavelengthM, leastApartM: apart.value.leastM };
  if (slotDeg !== null) {
    const found = dishAim.run({ latitudeDeg, longitudeDeg, slotDeg });
    if (!found.ok) return found;
    const { azimuthDeg, elevationDeg, skewDeg, rangeKm } = found.value;
    const trueDeg = azimuthDeg ?? 0;
    const obstacleDeg = obstacleAt(source, trueDeg);
    return ok({
      ...{ kind: 'satellite', trueDeg, elevationDeg, skewDeg, distanceKm: rangeKm, obstacleDeg, ...spacing },
      compassDeg: compass(trueDeg, declinationDeg),
      isClear: elevationDeg >= obstacleDeg + OVER_DEG - 1e-9,
    });
  }
  if (transmitterLatitudeDeg === null) return missing('transmitterLatitudeDeg');
  if (transmitterLongitudeDeg === null) return missing('transmitterLongitudeDeg');
  const found = transmitterBearing.run({
    ...{ latitudeDeg, longitudeDeg, declinationDeg },
    ...{ toLatitudeDeg: transmitterLatitudeDeg, toLongitudeDeg: transmitterLongitudeDeg },
  });
  if (!found.ok) return found;
  const { trueDeg, compassDeg, distanceKm } = found.value;
  const obstacleDeg = obstacleAt(source, trueDeg);
  return ok({
    ...{ kind: 'transmitter', trueDeg, compassDeg, elevationDeg: 0, skewDeg: null, distanceKm, obstacleDeg, ...spacing },
    isClear: obstacleDeg <= 1e-9,
  });
}

const compass = (trueDeg: number, declinationDeg: number): number => (trueDeg - declinationDeg + 720) % 360;

/** The top of what stands in the way within five degrees of a bearing: the sketched horizon, straight between its points. */
export function obstacleAt({ horizon }: Pick<RfSourceRecord, 'horizon'>, bearingDeg: number): number {
  if (horizon.length === 0) return 0;
  const sorted = [...horizon].sort((a, b) => a.bearingDeg - b.bearingDeg);
  const between = (at: number): number => {
    const wrapped = ((at % 360) + 360) % 360;
    const next = sorted.findIndex((one) => one.bearingDeg >= wrapped);
    const after = sorted[next === -1 ? 0 : next];
    const before = sorted[(next === -1 ? sorted.length : next === 0 ? sorted.length : next) - 1];
    const span = (after.bearingDeg - before.bearingDeg + 360) % 360;
    if (span === 0) return after.elevationDeg;
    const share = ((wrapped - before.bearingDeg + 360) % 360) / span;
    return before.elevationDeg + share * (after.elevationDeg - before.elevationDeg);
  };
  const near = horizon.filter((one) => Math.abs(((one.bearingDeg - bearingDeg + 540) % 360) - 180) <= BESIDE_DEG);
  return Math.max(
    between(bearingDeg - BESIDE_DEG),
    between(bearingDeg),
    between(bearingDeg + BESIDE_DEG),
    ...near.map((one) => one.elevationDeg),
  );
}
