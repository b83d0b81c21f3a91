/** Columns that every list of records has. */
export const OWN = `
  project_id uuid NOT NULL REFERENCES projects (id) ON DELETE CASCADE,
  id text NOT NULL,
  PRIMARY KEY (project_id, id)`;

/** A reference to a record of the same project, checked when the change is stored. */
export const refers = (name: string, column: string, table: string): string =>
  `CONSTRAINT ${name} FOREIGN KEY (project_id, ${column}) REFERENCES ${table} (project_id, id) DEFERRABLE INITIALLY DEFERRED`;
