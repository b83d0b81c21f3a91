import { wallLength } from '../house/index.ts';
import { groupedBy } from '../math/index.ts';
import type { Photo, ProjectDocument, Wall } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** A photo that shows more of a wall than this says little about one stud bay, m (practice A65). */
export const CLOSE_M = 2.5;

export interface WallCoverage {
  readonly wall: Wall;
  readonly lengthM: number;
  /** Parts of the wall that close photos show, from its end a, m; they do not overlap. */
  readonly shown: readonly (readonly [number, number])[];
  readonly coveredM: number;
  /** Between 0 and 1. */
  readonly share: number;
  /** Longest part without a close photo, m. */
  readonly gapM: number;
  readonly photoIds: readonly string[];
}

/** What of each wall of a level is recorded close enough; walls with nothing first. Walls in which no cable may run are left out. */
export function photoCoverage(project: ProjectDocument, levelId: string | null = null): WallCoverage[] {
  const photos = groupedBy(
    listOf(project, 'photos').filter(({ wallId }) => wallId !== null),
    ({ wallId }) => wallId!,
  );
  return listOf(project, 'walls')
    .filter((wall) => wall.cableMayRun && (levelId === null || wall.levelId === levelId))
    .map((wall) => coverageOf(wall, photos.get(wall.id) ?? []))
    .toSorted((a, b) => a.share - b.share || b.lengthM - a.lengthM);
}

function coverageOf(wall: Wall, photos: readonly Photo[]): WallCoverage {
  const lengthM = wallLength(wall);
  const spans = photos
    .flatMap(({ fromCornerM, widthM }): [number, number][] =>
      fromCornerM === null || widthM === null || widthM > CLOSE_M
        ? []
        : [[Math.max(0, fromCornerM - widthM / 2), Math.min(lengthM, fromCornerM + widthM / 2)]],
    )
    .filter(([from, to]) => to > from)
    .sort((a, b) => a[0] - b[0]);
  const shown: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = shown[shown.length - 1];
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else shown.push([from, to]);
  }
  const coveredM = shown.reduce((sum, [from, to]) => sum + to - from, 0);
  const edges = [0, ...shown.flat(), lengthM];
  const gaps = edges.flatMap((edge, n) => (n % 2 === 0 ? [edges[n + 1] - edge] : []));
  return {
    ...{ wall, lengthM, shown, coveredM },
    share: lengthM > 0 ? coveredM / lengthM : 1,
    gapM: Math.max(0, ...gaps),
    photoIds: photos.map(({ id }) => id),
  };
}

/** Photos of a device, its wall or a place near it: those of the device itself first, then the nearest. */
export function photosNear(project: ProjectDocument, deviceId: string, wallId: string | null, alongM: number | null): Photo[] {
  const distance = (photo: Photo): number | null => {
    if (photo.deviceId === deviceId) return 0;
    if (wallId === null || photo.wallId !== wallId) return null;
    if (photo.fromCornerM === null || alongM === null) return 100;
    return 1 + Math.abs(photo.fromCornerM - alongM);
  };
  return listOf(project, 'photos')
    .flatMap((photo) => {
      const away = distance(photo);
      return away === null ? [] : [{ photo, away }];
    })
    .sort((a, b) => a.away - b.away || b.photo.takenAt.localeCompare(a.photo.takenAt))
    .map(({ photo }) => photo);
}
