import { DEGREE_RAD, ok, type Outcome } from '../../math/index.ts';
import { outOfDomain } from '../calculator.ts';
import { z } from 'zod';

export const sin = (deg: number) => Math.sin(deg * DEGREE_RAD);

const cos = (deg: number) => Math.cos(deg * DEGREE_RAD);

const tan = (deg: number) => Math.tan(deg * DEGREE_RAD);

export interface Sun {
  readonly declinationDeg: number;
  readonly equationMin: number;
  readonly hourAngleDeg: number;
  readonly altitudeDeg: number;
  readonly azimuthDeg: number;
}

/** Parts of an instant in UTC. */
interface Instant {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly hours: number;
}

const INSTANT = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(?::(\d{2}(?:\.\d+)?))?Z$/;

export function instantOf(text: string): Instant | null {
  const found = INSTANT.exec(text);
  if (!found) return null;
  const [year, month, day, h, min] = found.slice(1, 6).map(Number);
  const hours = h + min / 60 + Number(found[6] ?? 0) / 3600;
  const leap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
  const days = [31, leap ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
  return month >= 1 && month <= 12 && day >= 1 && day <= days[month - 1] && hours < 24 ? { year, month, day, hours } : null;
}

/** Geometric position of the sun, degrees and minutes. */
export function sunAt(latitudeDeg: number, longitudeDeg: number, { year, month, day, hours }: Instant): Sun {
  const [y, m] = month <= 2 ? [year - 1, month + 12] : [year, month];
  const a = Math.floor(y / 100);
  const jd =
    Math.floor(365.25 * (y + 4716)) + Math.floor(30.6001 * (m + 1)) + day + (2 - a + Math.floor(a / 4)) - 1524.5 + hours / 24;
  const t = (jd - 2451545) / 36525;
  const l0 = 280.46646 + t * (36000.76983 + 0.0003032 * t);
  const anomaly = 357.52911 + t * (35999.05029 - 0.0001537 * t);
  const ecc = 0.016708634 - t * (0.000042037 + 0.0000001267 * t);
  const c =
    sin(anomaly) * (1.914602 - t * (0.004817 + 0.000014 * t)) +
    sin(2 * anomaly) * (0.019993 - 0.000101 * t) +
    0.000289 * sin(3 * anomaly);
  const om = 125.04 - 1934.136 * t;
  const lam = l0 + c - 0.00569 - 0.00478 * sin(om);
  const eps = 23 + (26 + (21.448 - t * (46.815 + t * (0.00059 - 0.001813 * t))) / 60) / 60 + 0.00256 * cos(om);
  const declinationDeg = Math.asin(sin(eps) * sin(lam)) / DEGREE_RAD;
  const yy = tan(eps / 2) ** 2;
  const equationMin =
    (4 / DEGREE_RAD) *
    (yy * sin(2 * l0) -
      2 * ecc * sin(anomaly) +
      4 * ecc * yy * sin(anomaly) * cos(2 * l0) -
      0.5 * yy ** 2 * sin(4 * l0) -
      1.25 * ecc ** 2 * sin(2 * anomaly));
  const minutes = (((hours * 60 + equationMin + 4 * longitudeDeg) % 1440) + 1440) % 1440;
  const hourAngleDeg = minutes / 4 - 180;
  const altitudeDeg =
    Math.asin(sin(latitudeDeg) * sin(declinationDeg) + cos(latitudeDeg) * cos(declinationDeg) * cos(hourAngleDeg)) / DEGREE_RAD;
  const azimuthDeg =
    (Math.atan2(
      -sin(hourAngleDeg) * cos(declinationDeg),
      sin(declinationDeg) * cos(latitudeDeg) - cos(declinationDeg) * sin(latitudeDeg) * cos(hourAngleDeg),
    ) /
      DEGREE_RAD +
      360) %
    360;
  return { declinationDeg, equationMin, hourAngleDeg, altitudeDeg, azimuthDeg };
}

export const site = {
  latitudeDeg: z.number().describe('degrees, north positive'),
  longitudeDeg: z.number().describe('degrees, east positive'),
};

export const pane = {
  bearingDeg: z.number().describe('degrees, outward bearing of the pane, true north, clockwise'),
  tiltDeg: z.number().min(0).max(180).default(90).describe('degrees, 90 upright'),
  overhangM: z.number().min(0).default(0).describe('m, projection of an overhang'),
  gapM: z.number().min(0).default(0).describe('m, underside of the overhang above the head'),
  glassM: z.number().gt(0).default(1).describe('m, height of the glass'),
};

export function judge({ latitudeDeg, longitudeDeg }: { latitudeDeg: number; longitudeDeg: number }, year: number): Outcome<true> {
  if (Math.abs(latitudeDeg) > 90) return outOfDomain('latitudeDeg', latitudeDeg, -90, 90);
  if (Math.abs(longitudeDeg) > 180) return outOfDomain('longitudeDeg', longitudeDeg, -180, 180);
  return year < 1950 || year > 2050 ? outOfDomain('year', year, 1950, 2050) : ok(true);
}

interface Pane {
  readonly bearingDeg: number;
  readonly tiltDeg: number;
  readonly overhangM: number;
  readonly gapM: number;
  readonly glassM: number;
}

/** Where the sun stands to a pane, degrees, and whether it shines on it. */
export function onPane({ altitudeDeg, azimuthDeg }: Sun, { bearingDeg, tiltDeg, overhangM, gapM, glassM }: Pane) {
  const gammaDeg = ((((azimuthDeg - bearingDeg + 180) % 360) + 360) % 360) - 180;
  const cosine = sin(altitudeDeg) * cos(tiltDeg) + cos(altitudeDeg) * sin(tiltDeg) * cos(gammaDeg);
  const lit = altitudeDeg > 0 && cosine > 0;
  const profileDeg = Math.atan2(tan(altitudeDeg), cos(gammaDeg)) / DEGREE_RAD;
  const shadedM = lit ? Math.min(glassM, Math.max(0, overhangM * tan(profileDeg) - gapM)) : 0;
  return {
    gammaDeg,
    incidenceDeg: Math.acos(Math.max(-1, Math.min(1, cosine))) / DEGREE_RAD,
    cosine,
    profileDeg,
    lit,
    shadedShare: shadedM / glassM,
  };
}

export const instant = z
  .string()
  .regex(INSTANT, 'is not an instant in UTC such as 2026-06-21T18:00:00Z')
  .describe('UTC, 2026-06-21T18:00:00Z');
