import { featuresMayBe } from './2026-12-01-air-and-cords.ts';
import { KINDS_OF_SITES } from './2026-12-10-site-and-decisions.ts';
import type { Migration } from './migration.ts';

const UP = `
${featuresMayBe(`${KINDS_OF_SITES}, 'steps'`)}
ALTER TABLE device_types ADD lens jsonb, ADD screen jsonb;
ALTER TABLE firm_device_types ADD lens jsonb, ADD screen jsonb;
CREATE TABLE theatres (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  room_id text NOT NULL,
  layout text NOT NULL,
  school text NOT NULL CHECK (school IN ('standard', 'practice')),
  wanted_deg double precision CHECK (wanted_deg BETWEEN 10 AND 120),
  seat_weights jsonb NOT NULL,
  fixed_device_ids jsonb NOT NULL,
  work_budget_h double precision CHECK (work_budget_h > 0),
  peak_db double precision NOT NULL CHECK (peak_db BETWEEN 60 AND 125),
  amplifier_w double precision NOT NULL CHECK (amplifier_w > 0),
  wanted_cd_m2 double precision NOT NULL CHECK (wanted_cd_m2 >= 5),
  light_left double precision NOT NULL CHECK (light_left > 0 AND light_left <= 1),
  ambient_lx double precision NOT NULL CHECK (ambient_lx >= 0),
  t60_s double precision NOT NULL CHECK (t60_s BETWEEN 0.1 AND 5),
  surfaces jsonb NOT NULL,
  panels_m2 double precision NOT NULL CHECK (panels_m2 >= 0),
  measured jsonb NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT theatres_one UNIQUE (project_id, room_id) DEFERRABLE INITIALLY DEFERRED,
  CONSTRAINT theatres_room_id FOREIGN KEY (project_id, room_id) REFERENCES rooms (project_id, id) DEFERRABLE INITIALLY DEFERRED
);
`;

const DOWN = `
DELETE FROM features WHERE kind = 'steps';
${featuresMayBe(KINDS_OF_SITES)}
DROP TABLE theatres;
ALTER TABLE firm_device_types DROP lens, DROP screen;
ALTER TABLE device_types DROP lens, DROP screen;
`;

/** Rooms as theatres, steps to risers; lenses of projectors and pictures of screens. */
export const theatres: Migration = { name: '2026-12-14-theatres', up: (sql) => sql(UP), down: (sql) => sql(DOWN) };
