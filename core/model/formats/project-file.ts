import { z } from 'zod';
import { err, ok, type Outcome } from '../../math/index.ts';
import {
  checkBounds,
  checkIntegrity,
  COLLECTION_NAMES,
  type CollectionName,
  COLLECTIONS,
  emptyProject,
  MAX_RECORDS,
  MAX_PICTURE_SIDE_PX,
  PICTURE_TYPES,
  problemOfIssue,
  type ProjectDocument,
  projectHeader,
  textProblem,
} from '../project/index.ts';
import { upgradeFile } from './upgrade.ts';

export const FORMAT_NAME = 'dusky-spool-project';
export const FORMAT_VERSION = 20;
/** Largest project file that is read, bytes. */
export const MAX_FILE_BYTES = 120 * 1024 * 1024;

/** A plan picture as it travels in a file. Its id is the SHA-256 of its bytes. */
const picture = z.strictObject({
  id: z.string().regex(/^[0-9a-f]{64}$/),
  mediaType: z.enum(PICTURE_TYPES),
  widthPx: z.int().min(1).max(MAX_PICTURE_SIDE_PX),
  heightPx: z.int().min(1).max(MAX_PICTURE_SIDE_PX),
  paperMetresPerPixel: z.number().gt(0).max(100).nullable().describe('side of a pixel on the sheet of paper, m'),
  base64: z.string().regex(/^[A-Za-z0-9+/]*={0,2}$/),
});
export type Picture = z.infer<typeof picture>;

const lists = Object.fromEntries(
  COLLECTION_NAMES.map((name) => [name, z.array(COLLECTIONS[name].schema as z.ZodType).max(MAX_RECORDS[name])]),
) as { [C in CollectionName]: z.ZodArray<(typeof COLLECTIONS)[C]['schema']> };

/** The open project file. Its JSON Schema is published in docs/format.md. */
export const projectFileSchema = z.strictObject({
  format: z.literal(FORMAT_NAME),
  version: z.literal(FORMAT_VERSION),
  project: projectHeader,
  ...lists,
  pictures: z.array(picture).max(500),
});

export interface ProjectFile {
  readonly project: ProjectDocument;
  readonly pictures: readonly Picture[];
}

/**
 * Reads a project file of this version or an older one.
 * Problems: `file-too-large`, `file-not-json`, `file-not-ours`, `file-version-newer`, `record-invalid`, `id-twice`,
 * `reference-missing`, `value-taken`, `nested-too-deep` and the bounds of a house (`checkBounds`); each with the field.
 */
export function readProjectFile(text: string): Outcome<ProjectFile> {
  if (text.length > MAX_FILE_BYTES) return err('file-too-large', { bytes: text.length, mostBytes: MAX_FILE_BYTES });
  const json = parseJson(text);
  if (!json.ok) return json;
  const head = json.value as { format?: unknown; version?: unknown } | null;
  if (typeof head !== 'object' || head === null || head.format !== FORMAT_NAME) {
    return err('file-not-ours', { kind: 'invalid', field: 'format' });
  }
  if (typeof head.version === 'number' && head.version > FORMAT_VERSION) {
    return err('file-version-newer', {
      kind: 'out_of_domain',
      field: 'version',
      version: head.version,
      known: FORMAT_VERSION,
    });
  }
  // Bytes of pictures have a pattern of their own below.
  const unclean = textProblem({ ...head, pictures: null });
  if (unclean) return { ok: false, problem: unclean };
  const parsed = projectFileSchema.safeParse(upgradeFile(head));
  if (!parsed.success) return { ok: false, problem: problemOfIssue(parsed.error.issues[0], '') };
  return assemble(parsed.data);
}

function parseJson(text: string): Outcome<unknown> {
  try {
    return ok(JSON.parse(text.replace(/^\uFEFF/, '')) as unknown);
  } catch (error) {
    return err('file-not-json', { kind: 'invalid', field: 'file', reason: (error as Error).message.slice(0, 160) });
  }
}

function assemble(file: z.infer<typeof projectFileSchema>): Outcome<ProjectFile> {
  const project = emptyProject(file.project) as unknown as Record<string, Record<string, unknown>>;
  for (const name of COLLECTION_NAMES) {
    const table = project[name];
    for (const [index, record] of (file[name] as { id: string }[]).entries()) {
      if (Object.hasOwn(table, record.id))
        return err('id-twice', { kind: 'invalid', field: `${name}[${index}].id`, value: record.id });
      table[record.id] = record;
    }
  }
  const pictures = new Set(file.pictures.map((p) => p.id));
  const orphan = file.underlays.find((underlay) => !pictures.has(underlay.pictureId));
  if (orphan) {
    return err('reference-missing', {
      kind: 'invalid',
      field: `underlays.${orphan.id}.pictureId`,
      value: orphan.pictureId,
      target: 'pictures',
    });
  }
  const whole = checkIntegrity(project as unknown as ProjectDocument);
  if (!whole.ok) return whole;
  const bounded = checkBounds(whole.value);
  return bounded.ok ? ok({ project: bounded.value, pictures: file.pictures }) : bounded;
}

/** Records in the order of their ids, in which the database loads them too. */
const byId = <T extends { readonly id: string }>(records: readonly T[]): T[] =>
  [...records].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

/** Writes the file in its one canonical form: the same project gives the same text, in whatever order its records were made. */
export function writeProjectFile({ project, pictures }: ProjectFile): string {
  const out: Record<string, unknown> = {
    format: FORMAT_NAME,
    version: FORMAT_VERSION,
    project: ordered(projectHeader, project.project),
  };
  for (const name of COLLECTION_NAMES) {
    out[name] = byId<{ readonly id: string }>(Object.values(project[name])).map((record) =>
      ordered(COLLECTIONS[name].schema, record),
    );
  }
  out.pictures = byId(pictures).map((p) => ordered(picture, p));
  const lines = Object.entries(out).map(([key, value]) => {
    if (!Array.isArray(value) || value.length === 0) return `${JSON.stringify(key)}: ${JSON.stringify(value)}`;
    return `${JSON.stringify(key)}: [\n${value.map((record) => `  ${JSON.stringify(record)}`).join(',\n')}\n]`;
  });
  return `{\n${lines.join(',\n')}\n}\n`;
}

/** The record with its fields, and those of the objects inside it, in the order of its schema (a store may turn them round). */
const ordered = (schema: z.ZodType, record: object): unknown => schema.parse(record);
