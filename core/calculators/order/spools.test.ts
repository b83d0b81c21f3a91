import { expect } from 'chai';
import { spoolsFor, totalsByCable } from '../../sheets/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { hooksFor, planSpools, staplesFor, tiesFor, USUAL_SPOOL_M } from './spools.ts';
import { spoolPlan } from './spool-plan.ts';

describe('spools', () => {
  it('of 305 m hold four runs of 160 m only one each, whatever their sum', () => {
    const plan = planSpools([160, 160, 160, 160], USUAL_SPOOL_M, 1);
    expect(plan).to.nested.include({ ok: true, 'value.buy': 4, 'value.lowerBound': 4 });
    expect(plan).to.deep.equal(spoolPlan.run({ lengthsM: [160, 160, 160, 160], spoolM: 305, parallel: 1 }));
  });

  it('are as many as are pulled at once, though one would hold all', () => {
    expect(planSpools([20, 20, 20], 305, 3)).to.nested.include({ 'value.firstFit': 1, 'value.buy': 3 });
    expect(planSpools([], 305, 3)).to.nested.include({ 'value.buy': 0 });
    expect(planSpools([306], 305, 1)).to.nested.include({ ok: false, 'problem.code': 'run-longer-than-spool' });
  });

  it('stand with the totals of the schedule', () => {
    const project = smallHouse();
    const [typeId] = Object.keys(project.cableTypes);
    const rows = [160, 160, 160, 160].map((cutLengthM, n) => ({ cableTypeId: typeId, cutLengthM, bundle: n < 2 ? 'B-01' : '' }));
    const [total] = totalsByCable(project, rows as never);
    const { parallel, plan } = spoolsFor(rows as never);
    expect(plan).to.nested.include({ ok: true, 'value.buy': 4 });
    expect(parallel).to.equal(2);
    expect(total.orderLengthM).to.be.closeTo(659.2, 1e-9);
  });
});

describe('supports', () => {
  it('are counted up, with two staples at each end', () => {
    expect([staplesFor(14), hooksFor(15.1), tiesFor(12)]).to.deep.equal([14, 11, 10]);
  });
});
