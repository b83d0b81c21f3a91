import { create, type Nameplate, type Operation, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** What was read from a nameplate against what was quoted. */
export interface JudgedNameplate {
  /** The model that was quoted: a delivery of it, else the type of the plan. */
  readonly quoted: string;
  readonly isAsQuoted: boolean;
  /** Another device or piece of equipment that has this serial number already; empty where none has. */
  readonly sameSerial: string;
}

const plain = (words: string): string => words.toLowerCase().replace(/[^a-z0-9]+/g, '');

/** Judges model and serial number as read from the plate (practice A76). A model is as quoted where one name holds the other. */
export function judgeNameplate(
  project: ProjectDocument,
  read: Pick<Nameplate, 'subject' | 'subjectId' | 'model' | 'serial'>,
): JudgedNameplate {
  const { subject, subjectId } = read;
  const device = subject === 'devices' ? project.devices[subjectId] : undefined;
  const quoted =
    subject === 'devices' ? (device ? project.deviceTypes[device.typeId].name : '') : (project.equipment[subjectId]?.name ?? '');
  const [model, name] = [plain(read.model), plain(quoted)];
  const other = listOf(project, 'nameplates').find(
    (one) => one.subjectId !== subjectId && read.serial.trim() !== '' && plain(one.serial) === plain(read.serial),
  );
  return {
    quoted,
    isAsQuoted: model !== '' && name !== '' && (model.includes(name) || name.includes(model)),
    sameSerial: other?.subjectId ?? '',
  };
}

/** The operations that record a nameplate; one of the same thing is corrected. */
export function recordNameplate(project: ProjectDocument, read: Omit<Nameplate, 'result'>): Operation[] {
  const { isAsQuoted } = judgeNameplate(project, read);
  const result = isAsQuoted ? 'as-quoted' : read.why.trim() === '' ? 'differs' : 'accepted';
  const known = listOf(project, 'nameplates').find(
    ({ subject, subjectId }) => subject === read.subject && subjectId === read.subjectId,
  );
  const operation = known
    ? update('nameplates', known, { ...read, id: known.id, result })
    : create('nameplates', { ...read, result });
  return operation ? [operation] : [];
}
