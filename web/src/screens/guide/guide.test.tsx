import '../../testing/dom.ts';
import { guidePages } from '@dusky-spool/texts';
import { expect } from 'chai';
import { Route, Routes } from 'react-router';
import { guideOf } from '../../state/guide-of.ts';
import { STAGES } from '../../state/progress.ts';
import { closePage, renderPage, signInAs } from '../../testing/render.tsx';
import { GuideScreen } from './GuideScreen.tsx';

describe('the guide', () => {
  afterEach(closePage);
  const open = (at = '/guide') => {
    signInAs('planner');
    return renderPage(
      <Routes>
        <Route path="/guide/:page?" element={<GuideScreen />} />
      </Routes>,
      { at },
    );
  };

  it('begins with the first house, and has a page for each stage', async () => {
    const page = open();
    expect(page.getByRole('heading', { level: 1 }).textContent).to.equal('A flat in ten minutes');
    await page.user.click(page.getByRole('link', { name: 'Survey' }));
    expect(page.address()).to.equal('/guide/survey');
    expect(page.getByRole('heading', { level: 1 }).textContent).to.equal('Survey');
    expect(page.getByRole('link', { name: 'Survey' }).getAttribute('aria-current')).to.equal('page');
  });

  it('is opened by every stage at the page that is about it', () => {
    for (const stage of STAGES) expect(guidePages.find(({ id }) => id === guideOf(stage))?.stages, stage).to.include(stage);
  });

  it('is searched in all that it says, and says so where nothing is found', async () => {
    const page = open('/guide/keys');
    const names = () => [...page.container.querySelectorAll('nav li')].map(({ textContent }) => textContent);
    expect(names()).to.have.length(guidePages.length);
    await page.user.type(page.getByLabelText('Find in the guide'), 'partition');
    expect(names()).to.deep.equal(['A flat in ten minutes']);
    await page.user.type(page.getByLabelText('Find in the guide'), 'xyz');
    expect(page.getByRole('status').textContent).to.include('partitionxyz');
    expect(page.getByRole('heading', { level: 1 }).textContent).to.equal('Keys');
  });
});
