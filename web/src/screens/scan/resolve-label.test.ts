import { expect } from 'chai';
import { placeDevice } from '@dusky-spool/core/devices';
import { applyChange } from '@dusky-spool/core/model';
import { countingIds, smallHouse } from '@dusky-spool/core/testing';
import type { KeptHouse } from '../../ground/api/device-store.ts';
import { resolveLabel } from './resolve-label.ts';

function house(projectId: string, shortId: string): KeptHouse {
  const empty = smallHouse();
  const placed = placeDevice(empty, { typeId: 'ceiling-speaker', levelId: 'm', at: [1, 2] }, countingIds()());
  const project = placed.ok ? applyChange(empty, placed.value) : placed;
  if (!project.ok) throw new Error('refused');
  return { projectId, shortId, name: projectId, revision: 1, document: project.value };
}
const houses = [house('quay', '9H2QY'), house('granary', '7K3MQ')];
const asked = (code: string) => {
  const { found, problem } = resolveLabel(houses, code);
  return found ? `${found.house.projectId} ${found.runId}` : problem?.code;
};

describe('a scanned label', () => {
  it('finds its run in its own house, not in one with the same numbers', () => {
    expect(asked('SPOOL:7K3MQ:M-AA-01.1')).to.equal('granary r1x1');
    expect(asked(' spool:9h2qy:m-aa-01.1 ')).to.equal('quay r1x1');
  });

  it('typed as a bare number is looked up in the houses at hand', () => {
    expect(asked('m-aa-01.1')).to.equal('quay r1x1');
  });

  it('of another house, of no run, or of another program is told as such', () => {
    expect(asked('SPOOL:4TCW8:M-AA-01.1')).to.equal('label-other-house');
    expect(asked('SPOOL:7K3MQ:M-AA-09.1')).to.equal('label-unknown-run');
    expect(asked('https://example.test/x?y')).to.equal('label-not-ours');
    expect(asked('')).to.equal('label-not-ours');
  });
});
