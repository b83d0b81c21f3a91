import { expect } from 'chai';
import { DEVICE_TYPES } from '../library/index.ts';
import { LIBRARY_COLUMNS, readLibrary, writeLibraryCsv, writeLibraryJson } from './library-files.ts';
import { smallHouse } from '../../testing/index.ts';

const house = smallHouse();
const read = (text: string) => {
  const found = readLibrary(text, house);
  if (!found.ok) throw new Error(JSON.stringify(found.problem));
  return found.value;
};
const HEAD =
  'code,name,system,mount,planWidthM,planDepthM,cutOutShape,cutOutWidthM,cutOutHeightM,depthM,impedanceOhm,soundUse,cables';
const row = (...cells: string[]) => cells.join(',');

describe('a library as a file', () => {
  it('comes back the same from CSV and from JSON', () => {
    for (const text of [writeLibraryCsv(DEVICE_TYPES), writeLibraryJson(DEVICE_TYPES)]) {
      const { types, problems } = read(text);
      expect(problems).to.deep.equal([]);
      expect(types).to.have.length(DEVICE_TYPES.length);
      for (const [i, type] of types.entries()) {
        const { coverageRad, holds, ...rest } = type;
        const { coverageRad: angle, holds: mount, ...expected } = DEVICE_TYPES[i];
        expect(rest).to.deep.equal(expected);
        expect(coverageRad ?? 0).to.be.closeTo(angle ?? 0, 1e-6);
        expect(holds?.turnRad ?? 0).to.be.closeTo(mount?.turnRad ?? 0, 1e-6);
      }
    }
    expect(writeLibraryCsv([]).trim().split(',')).to.have.length(LIBRARY_COLUMNS.length);
  });

  it('takes the good rows and says of each other one what is wrong with it', () => {
    const cable = 'spk_16_2|speaker|0.8|rack||bare ends|binding post|speaker_2|';
    const { types, problems } = read(
      [
        HEAD,
        row('Z1', 'Slim speaker', 'sound', 'ceiling', '0.2', '0.2', 'round', '0.18', '0.18', '0.06', '8', 'distributed', cable),
        row('Z2', 'Wide speaker', 'sound', 'ceiling', 'wide', '0.2', '', '', '', '0', '8', 'distributed', cable),
        row('Z3', 'Odd speaker', 'sound', 'ceiling', '0.2', '0.2', 'round', '0.18', '0.2', '0.06', '8', 'distributed', cable),
        row('CL', 'Taken code', 'sound', 'ceiling', '0.2', '0.2', '', '', '', '0', '8', 'distributed', cable),
        row('Z4', 'Wrong place', 'sound', 'roof', '0.2', '0.2', '', '', '', '0', '8', 'distributed', cable),
        row('Z5', 'No hole', 'sound', 'ceiling', '0.2', '0.2', '', '', '', '0.1', '8', 'distributed', cable),
        row('Z6', 'No cable', 'sound', 'ceiling', '0.2', '0.2', '', '', '', '0', '8', 'distributed', ''),
        row(
          'Z7',
          'Strange cable',
          'sound',
          'ceiling',
          '0.2',
          '0.2',
          '',
          '',
          '',
          '0',
          '8',
          'distributed',
          cable.replace('spk_16_2', 'rope'),
        ),
        row('Z1', 'Slim speaker', 'sound', 'ceiling', '0.2', '0.2', '', '', '', '0', '8', 'distributed', cable),
      ].join('\r\n'),
    );
    expect(types.map(({ id, code }) => [id, code])).to.deep.equal([['slim-speaker', 'Z1']]);
    expect(problems.map(({ row: at, problem }) => [at, problem.code, problem.field])).to.deep.equal([
      [3, 'library-value', 'planWidthM'],
      [4, 'library-contradiction', 'cutOutHeightM'],
      [5, 'library-code-taken', 'code'],
      [6, 'library-value', 'mount'],
      [7, 'library-value', 'cutOut'],
      [8, 'library-contradiction', 'cables'],
      [9, 'recipe-cable-missing', 'cables[0].cableTypeId'],
      [10, 'library-twice', 'id'],
    ]);
  });

  it('reads semicolons and decimal commas as spreadsheets write them, and refuses what is no library', () => {
    const cable = '"spk_16_2|speaker|0,8|rack||||speaker_2|"';
    const { types } = read(
      `${HEAD.replaceAll(',', ';')}\n${['Z1', 'Slim', 'sound', 'surface', '0,2', '0,2', '', '', '', '0', '8', '', cable].join(';')}`,
    );
    expect(types[0].sizeM).to.deep.equal([0.2, 0.2]);
    expect(types[0].cables[0].slackM).to.equal(0.8);
    const refused = (text: string) => {
      const found = readLibrary(text, house);
      return found.ok ? null : [found.problem.code, found.problem.field];
    };
    expect(refused('code,name\nZ1,Slim')).to.deep.equal(['library-column-missing', 'system']);
    expect(refused('{"format":"other"}')).to.deep.equal(['library-not-ours', 'format']);
    expect(refused('{"format"')).to.deep.equal(['file-not-json', 'file']);
    expect(refused(HEAD)).to.deep.equal(['library-empty', 'file']);
    expect(refused(`${HEAD}\n"Z1,Slim`)?.[0]).to.equal('library-unreadable');
  });
});
