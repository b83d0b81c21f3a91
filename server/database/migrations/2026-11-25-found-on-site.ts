import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE features
  ADD marked_at jsonb,
  ADD substrate text CHECK (substrate IN ('stud', 'steel-stud', 'solid-concrete', 'solid-block', 'solid-brick', 'soft-brick', 'hollow-block', 'furring', 'channel', 'unknown')),
  ADD condition text CHECK (condition IN ('sound', 'weak', 'not-known')),
  ADD neutral text CHECK (neutral IN ('present', 'absent', 'not-known')),
  ADD partners text NOT NULL DEFAULT '';
ALTER TABLE features ALTER partners DROP DEFAULT;
ALTER TABLE underlays ADD drawing_corner jsonb;
ALTER TABLE devices
  ADD belongs_to text,
  ADD CONSTRAINT devices_belongs_to FOREIGN KEY (project_id, belongs_to) REFERENCES features (project_id, id) DEFERRABLE INITIALLY DEFERRED;
`;

const DOWN = `
ALTER TABLE devices DROP belongs_to;
ALTER TABLE underlays DROP drawing_corner;
ALTER TABLE features DROP marked_at, DROP substrate, DROP condition, DROP neutral, DROP partners;
`;

/** What was found on site, marks that were moved, and devices that go with a piece of furniture. */
export const foundOnSite: Migration = {
  name: '2026-11-25-found-on-site',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
