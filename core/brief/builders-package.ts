import type { BriefTopic, PackageLine, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** One room and topic, wanted against what the builder includes. Room null is the whole house. */
export interface PackageDifference {
  readonly roomId: string | null;
  readonly topic: BriefTopic;
  readonly wanted: number;
  readonly included: number;
}

export interface PackageComparison {
  /** Wanted or prepared, and not (or not enough) in the package. */
  readonly missing: readonly PackageDifference[];
  /** In the package, and not asked for in that room. */
  readonly beyond: readonly PackageDifference[];
  /** Lines that name no topic: somebody must say what they mean. */
  readonly unclear: readonly PackageLine[];
}

/** The builder's package against the brief, line by line (practice C22). Lines for the whole house count where a room has none of its own. */
export function comparePackage(project: ProjectDocument): PackageComparison {
  const lines = listOf(project, 'packageLines');
  const inRoom = new Map<string, number>();
  const inHouse = new Map<BriefTopic, number>();
  for (const line of lines) {
    if (line.topic === null) continue;
    if (line.roomId === null) inHouse.set(line.topic, (inHouse.get(line.topic) ?? 0) + line.count);
    else inRoom.set(`${line.roomId}/${line.topic}`, (inRoom.get(`${line.roomId}/${line.topic}`) ?? 0) + line.count);
  }
  const missing: PackageDifference[] = [];
  const beyond: PackageDifference[] = [];
  const seen = new Set<string>();
  for (const { roomId, topic, answer, count } of listOf(project, 'briefCells')) {
    const key = `${roomId}/${topic}`;
    seen.add(key);
    const wanted = answer === 'wanted' || answer === 'prepared' ? count : 0;
    let included = inRoom.get(key) ?? 0;
    const pool = inHouse.get(topic) ?? 0;
    if (included < wanted && pool > 0) {
      const taken = Math.min(pool, wanted - included);
      inHouse.set(topic, pool - taken);
      included += taken;
    }
    if (included < wanted) missing.push({ roomId, topic, wanted, included });
    if (included > wanted) beyond.push({ roomId, topic, wanted, included });
  }
  for (const [key, included] of inRoom) {
    if (seen.has(key)) continue;
    const [roomId, topic] = key.split('/') as [string, BriefTopic];
    beyond.push({ roomId, topic, wanted: 0, included });
  }
  for (const [topic, left] of inHouse) if (left > 0) beyond.push({ roomId: null, topic, wanted: 0, included: left });
  return { missing, beyond, unclear: lines.filter((line) => line.topic === null) };
}

/** Words by which a line of a package is taken for a topic; the user corrects what is taken wrongly. */
const WORDS: readonly (readonly [BriefTopic, RegExp])[] = [
  ['surround', /surround|theat|cinema|sound ?bar/i],
  ['sound', /speaker|audio|music/i],
  ['display', /\btvs?\b|televis|display|screen|projector/i],
  ['wifi', /wi-?fi|wireless|access point/i],
  ['network', /network|data|cat ?6|ethernet|internet|phone/i],
  ['camera', /camera|cctv/i],
  ['door', /bell|intercom|door station|entry/i],
  ['security', /alarm|security|contact|motion|detector/i],
  ['shade', /shade|blind|curtain/i],
  ['light', /light|dimm|led/i],
  ['climate', /thermostat|heating|cooling|climate/i],
  ['keypad', /keypad|touch|switch|control/i],
  ['charging', /charg|usb/i],
  ['coax', /coax|aerial|antenna|satellite|cable tv/i],
];

/** Reads a package as it is sent: one line each, `2 x ...` gives the count, a room's name or code its room. */
export function readPackage(project: ProjectDocument, text: string, newId: () => string): PackageLine[] {
  const rooms = listOf(project, 'rooms').toSorted((a, b) => b.name.length - a.name.length);
  return text.split(/\r?\n/).flatMap((raw) => {
    const words = raw
      .replace(/^[\s\-*•]+/, '')
      .trim()
      .slice(0, 200);
    if (words === '') return [];
    const count = /(?:^|\s)(\d{1,3})\s*(?:x|×|pcs?\b|no\b|off\b)?\s/i.exec(`${words} `);
    const room = rooms.find(({ name }) => words.toLowerCase().includes(name.toLowerCase()));
    const plain = room ? words.toLowerCase().replace(room.name.toLowerCase(), '') : words;
    const topic = WORDS.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
    return [{ id: newId(), roomId: room?.id ?? null, topic, count: count ? Number(count[1]) : 1, words }];
  });
}
