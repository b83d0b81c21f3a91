import type { Migration } from './migration.ts';

/** Signatures that were taken back, and a second person who is asked to sign. */
export const signatures: Migration = {
  name: '2026-12-08-signatures',
  up: (sql) =>
    sql(`ALTER TABLE room_briefs
  ADD asks_to_sign text NOT NULL DEFAULT '',
  ADD also_signed_on text NOT NULL DEFAULT '',
  ADD past_signatures jsonb NOT NULL DEFAULT '[]';
ALTER TABLE room_briefs ALTER asks_to_sign DROP DEFAULT, ALTER also_signed_on DROP DEFAULT, ALTER past_signatures DROP DEFAULT;`),
  down: (sql) => sql('ALTER TABLE room_briefs DROP asks_to_sign, DROP also_signed_on, DROP past_signatures;'),
};
