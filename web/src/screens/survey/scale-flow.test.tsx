import '../../testing/dom.ts';
import { create, newUnderlay } from '@dusky-spool/core/model';
import { applied, smallHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { ScaleFlow } from './ScaleFlow.tsx';

const underlay = newUnderlay({
  ...{ id: 'u1', levelId: 'm', pictureId: 'a'.repeat(64), name: 'plan.png', originX: 0, originY: 0 },
  ...{ metresPerPixel: 0.01, rotationRad: 0, opacity: 0.6, scaled: false },
});
const house = applied(smallHouse(), [create('underlays', underlay)]);

describe('the scale of a plan picture', () => {
  afterEach(closePage);
  const open = () => {
    const done: boolean[] = [];
    // 4 m as the picture lies now.
    const measured = { underlayId: 'u1', first: [1, 1] as const, second: [5, 1] as const };
    const page = renderInProject(<ScaleFlow measured={measured} onDone={() => done.push(true)} />, house);
    return { ...page, done };
  };

  it('refuses nothing and a length of nothing beside the field, and keeps both clicks', async () => {
    const page = open();
    await press(page, 'Set the scale');
    expect(page.getByRole('alert').textContent).to.include('Length');
    await enter(page, 'Length', '0');
    expect(
      page
        .getAllByRole('alert')
        .map((one) => one.textContent)
        .join(' '),
    ).to.match(/10 mm|0\.01 m/);
    expect([page.done, page.edits]).to.deep.equal([[], []]);
    await enter(page, 'Length', '2 m');
    await press(page, 'Set the scale');
    expect(page.project().underlays.u1).to.include({ scaled: true });
    expect(page.project().underlays.u1.metresPerPixel).to.be.closeTo(0.005, 1e-9);
    expect(page.done).to.deep.equal([true]);
  });
});
