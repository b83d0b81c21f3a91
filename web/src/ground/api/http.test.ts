import { expect } from 'chai';
import { nameInHeader } from './http.ts';

describe('the name of a file from the server', () => {
  it('is read in quotes, plain, and in any alphabet', () => {
    expect(nameInHeader('attachment; filename=granary-schedule.csv')).to.equal('granary-schedule.csv');
    expect(nameInHeader('attachment; filename="a house.pdf"')).to.equal('a house.pdf');
    expect(nameInHeader('attachment; filename="m?hle.pdf"; filename*=UTF-8\'\'m%C3%BChle.pdf')).to.equal('mühle.pdf');
    expect(nameInHeader('')).to.equal('file');
  });
});
