import { expect } from 'chai';
import { QueryTypes, Sequelize } from 'sequelize';
import { COLLECTIONS, projectHeader } from '@dusky-spool/core/model';
import type { BrokenConstraint } from '../../database/failures.ts';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import { problemOfConstraint } from './constraint-problem.ts';
import { words } from '@dusky-spool/texts';

interface Row {
  readonly type: 'u' | 'p' | 'c' | 'f';
  readonly table: string;
  readonly name: string;
}

describe('the constraints of the database', () => {
  let server: TestServer;
  let rows: Row[];
  before(async () => {
    server = await startTestServer();
    const sequelize = new Sequelize(server.databaseUrl, { logging: false });
    // Tables of a project's records, and the project itself.
    rows = await sequelize.query<Row>(
      `SELECT c.contype AS type, t.relname AS "table", c.conname AS name FROM pg_constraint c JOIN pg_class t ON t.oid = c.conrelid
       WHERE c.contype IN ('u', 'p', 'c', 'f') AND (t.relname = ANY(:tables))
         AND c.conname <> ALL(:own)`,
      {
        type: QueryTypes.SELECT,
        replacements: {
          tables: `{${['projects', ...Object.keys(COLLECTIONS).map(snake)].join()}}`,
          // What no change can break: revision and firm of a project.
          own: `{${['projects_pkey', 'projects_revision_check', 'projects_firm_id_fkey', 'projects_deleted_by_fkey', 'projects_short_id_key'].join()}}`,
        },
      },
    );
    await sequelize.close();
  });
  after(() => server.close());

  const snake = (name: string) => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
  const KIND = { u: 'unique', p: 'unique', c: 'check', f: 'reference' } as const;
  const broken = ({ type, table, name }: Row): BrokenConstraint => ({ kind: KIND[type], table, constraint: name, column: '' });

  it('are each answered with a field that exists and a sentence that names it', () => {
    expect(rows.filter(({ type }) => type === 'u').length).to.be.at.least(19);
    expect(rows.filter(({ type }) => type === 'c').length).to.be.at.least(50);
    for (const row of rows) {
      if (/_project_id_fkey$/.test(row.name)) continue;
      const problem = problemOfConstraint(broken(row));
      const [list, field] = problem.field!.split('.');
      const fields = list === 'project' ? projectHeader.shape : COLLECTIONS[list as keyof typeof COLLECTIONS]?.schema.shape;
      expect(fields, `${row.name}: ${problem.field}`).to.be.an('object');
      if (field !== undefined) expect(fields, `${row.name}: ${problem.field}`).to.have.property(field);
      expect(words.t(`problems.${problem.code}`, { ...problem })).to.include(problem.field!);
    }
  });

  it('of uniqueness say that a value is taken, and those of bounds that it is outside of them', () => {
    const of = (name: string) => problemOfConstraint(broken(rows.find((row) => row.name === name)!));
    expect(of('brief_cells_once')).to.deep.equal({ code: 'value-taken', kind: 'invalid', field: 'briefCells.topic' });
    expect(of('walls_stud_spacing_m_check')).to.include({ code: 'record-invalid', field: 'walls.studSpacingM' });
    expect(of('features_heights')).to.include({ code: 'record-invalid', field: 'features.topM' });
    expect(of('group_members_once')).to.include({ code: 'value-taken', field: 'groupMembers.deviceId' });
  });
});
