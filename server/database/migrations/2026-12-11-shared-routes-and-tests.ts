import type { Migration } from './migration.ts';

const ATTITUDES = `('upright', 'on-side', 'upside-down', 'face-up', 'face-down', 'tilted')`;

const UP = `
ALTER TABLE projects
  ADD shared_routes boolean NOT NULL DEFAULT false,
  ADD labour jsonb NOT NULL DEFAULT '{}',
  ADD labelling text NOT NULL DEFAULT 'before-pull' CHECK (labelling IN ('before-pull', 'after-pull')),
  ADD fixing_factors jsonb NOT NULL DEFAULT '{"wall": 5, "overhead": 10}';
ALTER TABLE projects ALTER shared_routes DROP DEFAULT, ALTER labour DROP DEFAULT, ALTER labelling DROP DEFAULT,
  ALTER fixing_factors DROP DEFAULT;
ALTER TABLE runs
  ADD labelled_ends text NOT NULL DEFAULT 'none' CHECK (labelled_ends IN ('none', 'device', 'rack', 'both')),
  ADD raw_tested_on text NOT NULL DEFAULT '',
  ADD end_tested_on text NOT NULL DEFAULT '',
  ADD tested_by text NOT NULL DEFAULT '';
UPDATE runs SET labelled_ends = 'both' WHERE state IN ('labelled', 'pulled', 'terminated', 'tested') AND printed_on <> '';
ALTER TABLE runs ALTER labelled_ends DROP DEFAULT, ALTER raw_tested_on DROP DEFAULT, ALTER end_tested_on DROP DEFAULT,
  ALTER tested_by DROP DEFAULT;
ALTER TABLE trunks ADD set_up double precision NOT NULL DEFAULT 0 CHECK (set_up >= 0 AND set_up <= 20);
ALTER TABLE trunks ALTER set_up DROP DEFAULT;
ALTER TABLE devices ADD attitude text NOT NULL DEFAULT 'upright' CHECK (attitude IN ${ATTITUDES}),
  ADD protects jsonb NOT NULL DEFAULT '[]';
ALTER TABLE devices ALTER attitude DROP DEFAULT, ALTER protects DROP DEFAULT;
ALTER TABLE device_types ADD attitudes jsonb NOT NULL DEFAULT '[]', ADD control_family text NOT NULL DEFAULT '';
ALTER TABLE device_types ALTER attitudes DROP DEFAULT, ALTER control_family DROP DEFAULT;
ALTER TABLE firm_device_types ADD attitudes jsonb NOT NULL DEFAULT '[]', ADD control_family text NOT NULL DEFAULT '';
ALTER TABLE firm_device_types ALTER attitudes DROP DEFAULT, ALTER control_family DROP DEFAULT;
`;

const DOWN = `
ALTER TABLE firm_device_types DROP attitudes, DROP control_family;
ALTER TABLE device_types DROP attitudes, DROP control_family;
ALTER TABLE devices DROP attitude, DROP protects;
ALTER TABLE trunks DROP set_up;
ALTER TABLE runs DROP labelled_ends, DROP raw_tested_on, DROP end_tested_on, DROP tested_by;
ALTER TABLE projects DROP shared_routes, DROP labour, DROP labelling, DROP fixing_factors;
`;

/** Routes shared from the first device, labels and tests beside the state of a run, how devices may be turned. */
export const sharedRoutesAndTests: Migration = {
  name: '2026-12-11-shared-routes-and-tests',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
