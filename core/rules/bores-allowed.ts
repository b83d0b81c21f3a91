import { inNumberOrder, NUMBER_ORDER } from '../runs/index.ts';
import { BUILDING, buildingOf, levelUnder } from '../house/index.ts';
import type { CollectionName, ProjectDocument } from '../model/index.ts';
import { type Bad, BORED_BY_RUN } from './bored-by-run.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

const CODES = ['bore-too-large', 'bore-off-span', 'bore-engineered'] as const;

/** Every hole keeps to the limits of the member that it is bored in (ENGINEERING 7.2). */
export const boresAllowed = defineCheck({
  id: 'bores-allowed',
  title: 'No member is bored wider, or elsewhere, than it may be',
  source: 'IRC R502.8, R602.6; BS 5268, Approved Document A; trade practice',
  calculators: ['bore-limit'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'rooms',
  reads: ['rooms'],
  safety: true,
  nodes: [BORED_BY_RUN, NUMBER_ORDER, BUILDING],
  run: ({ project, read }) => {
    const bad: Bad[] = [];
    for (const one of inNumberOrder(read, BORED_BY_RUN)) for (const each of one.bad) bad.push(each);
    if (bad.length === 0) return [];
    const byWhere = new Map<string, Bad[]>();
    for (const one of bad) {
      const { member, wallId, roomId } = one.hole;
      const key = `${one.code}/${member}/${wallId ?? roomId ?? ''}`;
      const those = byWhere.get(key);
      if (those) those.push(one);
      else byWhere.set(key, [one]);
    }
    return [...byWhere.values()]
      .sort(([a], [b]) => CODES.indexOf(a.code) - CODES.indexOf(b.code))
      .map((those) => findingOf(project, those));
  },
});

function findingOf(project: ProjectDocument, those: readonly Bad[]): RuleFinding {
  const [{ code, hole }] = those;
  const { member, wallId, roomId, at } = hole;
  const level = levelUnder(buildingOf(project), at[2])!;
  const where: { in: CollectionName; id: string } =
    wallId !== null
      ? { in: 'walls', id: wallId }
      : roomId !== null
        ? { in: 'rooms', id: roomId }
        : { in: 'levels', id: level.id };
  const places = new Set(those.map((one) => one.hole.at.map((value) => Math.round(value / 0.05)).join()));
  const figures = {
    number: roomId === null ? level.code : project.rooms[roomId].code,
    place: roomId === null ? level.name : project.rooms[roomId].name,
    member,
    count: places.size,
    runs: [...new Set(those.map(({ number }) => number))],
    at: at.slice(0, 2),
  };
  if (code === 'bore-engineered') return say('look', code, [where], figures);
  if (code === 'bore-off-span') {
    const worst = those.reduce((a, b) => (b.measured! < a.measured! ? b : a));
    const { measured, allowed } = worst;
    return say('stop', code, [where], { ...figures, share: Math.round(measured! * 100) }, { measured, allowed });
  }
  const worst = those.reduce((a, b) => (b.measured! > a.measured! ? b : a));
  const { measured, allowed } = worst;
  return say('stop', code, [where], { ...figures, needM: measured, mostM: allowed }, { measured, allowed, unit: 'm' });
}
