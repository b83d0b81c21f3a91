import type { Migration } from './migration.ts';

/** Characters that no text may hold since this step; written out, as it was then. */
const FORBIDDEN = `[\\u0001-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f-\\u009f\\u200b\\u2028-\\u202e\\u2060-\\u2069\\ufeff\\ufff9-\\ufffb]`;

/** Takes them out of every text column, so that no stored record fails the new rule when it is next edited. */
const CLEAN = `
DO $$
DECLARE place record;
BEGIN
  FOR place IN
    SELECT c.table_name, c.column_name, c.data_type FROM information_schema.columns c
    JOIN information_schema.tables t USING (table_schema, table_name)
    WHERE c.table_schema = 'public' AND c.data_type IN ('text', 'jsonb') AND t.table_type = 'BASE TABLE'
      AND c.table_name NOT IN ('applied_migrations', 'secrets', 'changes')
  LOOP
    EXECUTE format('UPDATE %I SET %I = regexp_replace(%I::text, %L, '''', ''g'')::%s WHERE %I::text ~ %L', place.table_name,
      place.column_name, place.column_name, '${FORBIDDEN}', place.data_type, place.column_name, '${FORBIDDEN}');
  END LOOP;
END $$;
`;

const UP = `
ALTER TABLE firms ADD planners_may_delete boolean NOT NULL DEFAULT false;
ALTER TABLE firms ALTER planners_may_delete DROP DEFAULT;
ALTER TABLE members
  ADD role text NOT NULL DEFAULT 'owner' CHECK (role IN ('owner', 'planner', 'crew', 'client')),
  ADD removed_at timestamptz;
ALTER TABLE members ALTER role DROP DEFAULT;
ALTER TABLE projects ADD deleted_at timestamptz, ADD deleted_by uuid REFERENCES members (id) ON DELETE SET NULL;
CREATE INDEX projects_deleted ON projects (deleted_at) WHERE deleted_at IS NOT NULL;
CREATE TABLE member_projects (
  member_id uuid NOT NULL REFERENCES members (id) ON DELETE CASCADE,
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  PRIMARY KEY (member_id, project_id)
);
CREATE TABLE invitations (
  id uuid PRIMARY KEY,
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  email text NOT NULL CHECK (email = lower(email)),
  role text NOT NULL CHECK (role IN ('owner', 'planner', 'crew', 'client')),
  project_ids jsonb NOT NULL,
  token_hash text NOT NULL UNIQUE,
  invited_by uuid REFERENCES members (id) ON DELETE SET NULL,
  created_at timestamptz NOT NULL,
  expires_at timestamptz NOT NULL,
  accepted_at timestamptz,
  withdrawn_at timestamptz
);
CREATE INDEX invitations_firm ON invitations (firm_id, created_at DESC);
CREATE TABLE password_resets (
  token_hash text PRIMARY KEY,
  member_id uuid NOT NULL REFERENCES members (id) ON DELETE CASCADE,
  created_at timestamptz NOT NULL,
  expires_at timestamptz NOT NULL,
  used_at timestamptz
);
CREATE TABLE sign_in_attempts (
  id uuid PRIMARY KEY,
  account_key text NOT NULL,
  address_key text NOT NULL,
  failed boolean NOT NULL,
  created_at timestamptz NOT NULL
);
CREATE INDEX sign_in_attempts_account ON sign_in_attempts (account_key, created_at);
CREATE INDEX sign_in_attempts_address ON sign_in_attempts (address_key, created_at);
CREATE TABLE audit_lines (
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  line integer NOT NULL CHECK (line > 0),
  kind text NOT NULL,
  member_id uuid,
  member_name text NOT NULL,
  about jsonb NOT NULL,
  created_at timestamptz NOT NULL,
  signature text NOT NULL,
  PRIMARY KEY (firm_id, line)
);
CREATE TABLE audit_keys (
  id text PRIMARY KEY,
  public_key text NOT NULL,
  created_at timestamptz NOT NULL
);
CREATE TABLE mails (
  id uuid PRIMARY KEY,
  firm_id uuid REFERENCES firms (id) ON DELETE CASCADE,
  recipient text NOT NULL,
  subject text NOT NULL,
  body text NOT NULL,
  state text NOT NULL CHECK (state IN ('waiting', 'sent', 'failed', 'simulated')),
  created_at timestamptz NOT NULL
);
CREATE INDEX mails_firm ON mails (firm_id, created_at DESC);
CREATE TABLE jobs (
  id uuid PRIMARY KEY,
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  member_id uuid REFERENCES members (id) ON DELETE SET NULL,
  project_id uuid REFERENCES projects (id) ON DELETE CASCADE,
  lane text NOT NULL,
  kind text NOT NULL,
  params jsonb NOT NULL,
  state text NOT NULL CHECK (state IN ('waiting', 'running', 'done', 'failed', 'cancelled')),
  progress double precision NOT NULL CHECK (progress BETWEEN 0 AND 1),
  result jsonb,
  problem jsonb,
  created_at timestamptz NOT NULL,
  finished_at timestamptz
);
CREATE INDEX jobs_firm ON jobs (firm_id, created_at DESC);
CREATE INDEX jobs_finished ON jobs (finished_at);
CREATE TABLE job_files (
  job_id uuid NOT NULL REFERENCES jobs (id) ON DELETE CASCADE,
  part text NOT NULL CHECK (part IN ('input', 'result')),
  name text NOT NULL,
  media_type text NOT NULL,
  bytes bytea NOT NULL,
  PRIMARY KEY (job_id, part)
);
ALTER TABLE pictures ADD tiled boolean NOT NULL DEFAULT false;
ALTER TABLE pictures ALTER tiled DROP DEFAULT;
CREATE TABLE picture_tiles (
  project_id uuid NOT NULL,
  picture_id text NOT NULL,
  z integer NOT NULL,
  y integer NOT NULL,
  x integer NOT NULL,
  bytes bytea NOT NULL,
  PRIMARY KEY (project_id, picture_id, z, y, x),
  CONSTRAINT picture_tiles_picture_id FOREIGN KEY (project_id, picture_id) REFERENCES pictures (project_id, id) ON DELETE CASCADE
);
CREATE TABLE plan_files (
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL CHECK (id ~ '^[0-9a-f]{64}$'),
  bytes bytea NOT NULL,
  created_at timestamptz NOT NULL,
  PRIMARY KEY (project_id, id)
);
CREATE TABLE printed_jobs (
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  number integer NOT NULL CHECK (number > 0),
  project_id uuid REFERENCES projects (id) ON DELETE CASCADE,
  pages integer NOT NULL CHECK (pages >= 0),
  media_type text NOT NULL,
  bytes bytea NOT NULL,
  created_at timestamptz NOT NULL,
  PRIMARY KEY (firm_id, number)
);
CREATE TABLE server_errors (
  id uuid PRIMARY KEY,
  place text NOT NULL,
  kind text NOT NULL,
  created_at timestamptz NOT NULL
);
CREATE INDEX server_errors_created ON server_errors (created_at DESC);
`;

const DOWN = `
DROP TABLE server_errors, printed_jobs, plan_files, picture_tiles, job_files, jobs, mails, audit_keys, audit_lines, sign_in_attempts,
  password_resets, invitations, member_projects;
ALTER TABLE pictures DROP tiled;
DELETE FROM projects WHERE deleted_at IS NOT NULL;
ALTER TABLE projects DROP deleted_at, DROP deleted_by;
DELETE FROM members WHERE removed_at IS NOT NULL OR role <> 'owner';
ALTER TABLE members DROP role, DROP removed_at;
ALTER TABLE firms DROP planners_may_delete;
`;

/** Roles and invitations, deleted projects that rest, the audit trail, the job queue's records, and files that lay in scratch folders. */
export const peopleAndJobs: Migration = {
  name: '2026-12-03-people-and-jobs',
  up: (sql) => sql(CLEAN + UP),
  down: (sql) => sql(DOWN),
};
