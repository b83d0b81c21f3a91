import '../testing/dom.ts';
import { expect } from 'chai';
import { closePage, renderPage } from '../testing/render.tsx';
import { LengthField } from './LengthField.tsx';

describe('a field for a length', () => {
  afterEach(closePage);

  function open(props: Partial<Parameters<typeof LengthField>[0]> = {}) {
    const lengths: (number | null)[] = [];
    const page = renderPage(
      <LengthField label="Sill height" valueM={0.9} units="metric" onChange={(valueM) => lengths.push(valueM)} {...props} />,
    );
    const field = page.getByLabelText('Sill height', { selector: 'input' }) as HTMLInputElement;
    return { ...page, field, lengths };
  }

  it('shows the length in the units of the project', () => {
    expect(open().field.value).to.equal('0.90 m');
    closePage();
    expect(open({ units: 'imperial', valueM: 0.9144 }).field.value).to.equal(`3'`);
  });

  it('takes a length in either system, at Enter or when it is left', async () => {
    const { user, field, lengths } = open();
    await user.clear(field);
    await user.type(field, `2' 6"{Enter}`);
    await user.clear(field);
    await user.type(field, '1,25 m');
    await user.tab();
    expect(lengths).to.deep.equal([0.762, 1.25]);
  });

  it('says its bounds in the units of the project', async () => {
    const { user, field, lengths, findByRole } = open({ units: 'imperial', minM: 0.3048, maxM: 3.048 });
    await user.clear(field);
    await user.type(field, `11'{Enter}`);
    expect((await findByRole('alert')).textContent).to.equal(`Sill height: from 1' to 10'.`);
    expect([field.value, lengths]).to.deep.equal([`11'`, []]);
    await user.clear(field);
    await user.type(field, `4'{Enter}`);
    expect(lengths).to.deep.equal([4 * 0.3048]);
  });

  it('says below what it cannot read, keeps what was typed, and changes nothing', async () => {
    const { user, field, lengths, findByRole } = open();
    await user.clear(field);
    await user.type(field, 'about a metre{Enter}');
    expect((await findByRole('alert')).textContent).to.match(/length/i);
    expect(field.value).to.equal('about a metre');
    expect(field.getAttribute('aria-invalid')).to.equal('true');
    expect(lengths).to.deep.equal([]);
  });

  it('gives the length back at Escape', async () => {
    const { user, field, lengths } = open();
    await user.clear(field);
    await user.type(field, '7{Escape}');
    expect(field.value).to.equal('0.90 m');
    expect(lengths).to.deep.equal([]);
  });

  it('does not call the same length a change', async () => {
    const { user, field, lengths } = open();
    await user.clear(field);
    await user.type(field, '90 cm{Enter}');
    expect(lengths).to.deep.equal([]);
  });

  it('may be emptied only where that is allowed', async () => {
    const may = open({ mayBeEmpty: true });
    await may.user.clear(may.field);
    await may.user.tab();
    expect(may.lengths).to.deep.equal([null]);
    closePage();
    const mayNot = open();
    await mayNot.user.clear(mayNot.field);
    await mayNot.user.tab();
    expect(mayNot.lengths).to.deep.equal([]);
    expect(mayNot.getByRole('alert').textContent).to.not.equal('');
  });
});
