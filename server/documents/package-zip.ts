import { createHash } from 'node:crypto';
import { zipSync } from 'fflate';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { fileName } from '@dusky-spool/core/sheets';

/** A file of a package. */
export interface PackedFile {
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Buffer;
}

/** What a package holds: every file with its size and SHA-256, and the revision that all were made from. */
export interface Manifest {
  readonly format: 'dusky-spool-package';
  readonly version: 1;
  readonly project: string;
  readonly revision: number;
  readonly madeOn: string;
  readonly files: readonly {
    readonly name: string;
    readonly mediaType: string;
    readonly bytes: number;
    readonly sha256: string;
  }[];
}

/** Files and their manifest as one ZIP; times in it are the day that it was made, so that the same project gives the same bytes. */
export function packageZip(project: ProjectDocument, revision: number, madeOn: string, files: readonly PackedFile[]): Buffer {
  const manifest: Manifest = {
    ...{ format: 'dusky-spool-package', version: 1, project: project.project.name, revision, madeOn },
    files: files.map(({ name, mediaType, bytes }) => ({
      ...{ name, mediaType, bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') },
    })),
  };
  const folder = fileName(project.project.name);
  const entries = [
    ...files.map(({ name, bytes }) => [`${folder}/${name}`, new Uint8Array(bytes)] as const),
    [`${folder}/manifest.json`, new TextEncoder().encode(`${JSON.stringify(manifest, null, 2)}\n`)] as const,
  ];
  return Buffer.from(zipSync(Object.fromEntries(entries), { mtime: new Date(`${madeOn}T12:00:00`), level: 6 }));
}
