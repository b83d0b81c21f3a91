import type { Migration } from './migration.ts';

const UP = `
ALTER TABLE projects ADD channel_colour text NOT NULL DEFAULT 'white, painted as the wall';
ALTER TABLE projects ALTER channel_colour DROP DEFAULT;
CREATE TABLE rule_settings (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  rule_id text NOT NULL,
  off boolean NOT NULL,
  rank text CHECK (rank IN ('stop', 'look', 'fine')),
  limits jsonb NOT NULL,
  reason text NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT rule_settings_once UNIQUE (project_id, rule_id) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE finding_marks (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  rule_id text NOT NULL,
  code text NOT NULL,
  about text NOT NULL,
  seen text NOT NULL,
  accepted_by text NOT NULL,
  why text NOT NULL,
  "on" text NOT NULL,
  until text NOT NULL,
  assigned_to text NOT NULL,
  due_on text NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT finding_marks_once UNIQUE (project_id, rule_id, code, about) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE kept_calculations (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  run_id text,
  calculator text NOT NULL,
  input jsonb NOT NULL,
  result text NOT NULL,
  by text NOT NULL,
  "on" text NOT NULL,
  note text NOT NULL,
  PRIMARY KEY (project_id, id),
  CONSTRAINT kept_calculations_run_id FOREIGN KEY (project_id, run_id) REFERENCES runs (project_id, id)
    DEFERRABLE INITIALLY DEFERRED
);
CREATE INDEX kept_calculations_run ON kept_calculations (project_id, run_id);
CREATE TABLE firm_rule_settings (
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  rule_id text NOT NULL,
  off boolean NOT NULL,
  rank text CHECK (rank IN ('stop', 'look', 'fine')),
  limits jsonb NOT NULL,
  reason text NOT NULL,
  by text NOT NULL,
  updated_at timestamptz NOT NULL,
  PRIMARY KEY (firm_id, rule_id)
);
`;

const DOWN = `
DROP TABLE firm_rule_settings, kept_calculations, finding_marks, rule_settings;
ALTER TABLE projects DROP channel_colour;
`;

/** What was decided of findings, how rules are set, calculations that were kept. */
export const checks: Migration = {
  name: '2026-11-30-checks',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
