import { expect } from 'chai';
import { buildGranary } from '../../../demo/build/granary.ts';
import { planRuns, runState, proposedRoutes } from '../../runs/index.ts';
import { applyChange } from '../project/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { FORMAT_VERSION, readProjectFile, writeProjectFile } from './project-file.ts';
import { writeCsv } from './csv.ts';

const granary = () =>
  buildGranary({ shortId: '7K3MQ', name: 'Saltmarsh Granary', description: '', client: '', address: '' }).project;
const read = (text: string) => {
  const file = readProjectFile(text);
  return file.ok ? 'read' : { code: file.problem.code, field: file.problem.field };
};
/** The small house's file with something done to it. */
const spoiled = (spoil: (file: Record<string, never>) => void) => {
  const file = JSON.parse(writeProjectFile({ project: smallHouse(), pictures: [] })) as Record<string, never>;
  spoil(file);
  return read(JSON.stringify(file));
};

describe('a project file', () => {
  it('written, read and written again is the same to the letter', () => {
    const house = granary();
    const issued = runState(
      house,
      planRuns(house)
        .slice(0, 20)
        .map((planned) => planned.run.id),
      'issued',
      proposedRoutes(house),
    );
    const project = issued.ok ? applyChange(house, { operations: issued.value }) : issued;
    if (!project.ok) throw new Error('refused');
    const text = writeProjectFile({ project: project.value, pictures: [] });
    const back = readProjectFile(text);
    if (!back.ok) throw new Error(JSON.stringify(back.problem));
    expect(back.value.project).to.deep.equal(project.value);
    expect(writeProjectFile(back.value)).to.equal(text);
  });

  it('are written alike in whatever order their records were made', () => {
    const house = granary();
    const turned = Object.fromEntries(
      Object.entries(house).map(([name, table]) => [
        name,
        name === 'project' ? table : Object.fromEntries(Object.entries(table as object).reverse()),
      ]),
    ) as unknown as typeof house;
    expect(Object.keys(turned.rooms)).to.not.deep.equal(Object.keys(house.rooms));
    expect(writeProjectFile({ project: turned, pictures: [] })).to.equal(writeProjectFile({ project: house, pictures: [] }));
  });

  it('that is not ours, not JSON, or newer than this program is refused', () => {
    expect(read('{')).to.deep.equal({ code: 'file-not-json', field: 'file' });
    expect(read('[]')).to.deep.equal({ code: 'file-not-ours', field: 'format' });
    expect(read('null')).to.deep.equal({ code: 'file-not-ours', field: 'format' });
    expect(spoiled((f) => Object.assign(f, { version: FORMAT_VERSION + 1 }))).to.deep.equal({
      code: 'file-version-newer',
      field: 'version',
    });
    expect(read(`${'['.repeat(100_000)}`))
      .to.have.property('code')
      .that.is.oneOf(['file-not-json', 'file-not-ours']);
  });

  it('with a bad value is refused by field', () => {
    const first = (f: Record<string, never>, list: string) => (f[list] as Record<string, unknown>[])[0];
    expect(spoiled((f) => Object.assign(first(f, 'walls'), { thicknessM: -1 }))).to.deep.equal({
      code: 'record-invalid',
      field: 'walls[0].thicknessM',
    });
    expect(spoiled((f) => Object.assign(first(f, 'rooms'), { levelId: 'attic' }))).to.deep.equal({
      code: 'reference-missing',
      field: 'rooms.a.levelId',
    });
    expect(
      spoiled((f) =>
        Object.assign(first(f, 'rooms'), {
          polygon: [
            [0, 0],
            [1, 1],
            [1, 0],
            [0, 1],
          ],
        }),
      ),
    ).to.have.property('field', 'rooms[0].polygon');
    expect(spoiled((f) => Object.assign(first(f, 'rooms'), { script: '<b>' }))).to.have.property('field', 'rooms[0].script');
    expect(spoiled((f) => Object.assign(first(f, 'rooms'), { id: '__proto__' }))).to.have.property('field', 'rooms[0].id');
    expect(spoiled((f) => Object.assign(first(f, 'walls'), { a: [1e9, 0] }))).to.have.property('field', 'walls[0].a[0]');
    expect(spoiled((f) => Object.assign(first(f, 'rooms'), { name: 'a\u0000b' }))).to.have.property('field', 'rooms[0].name');
    expect(spoiled((f) => (f.rooms as unknown[]).push((f.rooms as unknown[])[0]))).to.have.property('code', 'id-twice');
    expect(spoiled((f) => (f.walls as unknown[]).splice(0, 1, null))).to.have.property('field', 'walls[0]');
    expect(read(writeProjectFile({ project: smallHouse(), pictures: [] }).replace('"x":9.8', '"x":1e999'))).to.have.property(
      'field',
      'racks[0].x',
    );
  });
});

describe('a CSV file', () => {
  it('quotes what needs it and defuses formulas', () => {
    const text = writeCsv(
      [
        { title: 'Name', value: (row: { name: string; n: number }) => row.name },
        { title: 'n', value: (row) => row.n },
      ],
      [
        { name: '=HYPERLINK("x")', n: -1 },
        { name: 'a "b", c', n: 2.5 },
      ],
    );
    expect(text).to.equal(`Name,n\r\n"'=HYPERLINK(""x"")",-1\r\n"a ""b"", c",2.5\r\n`);
  });
});
