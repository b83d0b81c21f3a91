import { expect } from 'chai';
import { checked, type CheckedFinding, PLANTED } from '@dusky-spool/core/testing';
import { cureSentence, findingSentence } from './sentences.ts';
import { en } from './en/index.ts';

const UNEXPECTED = en.problems.unexpected;
/** Whole words, ended as a sentence, with every figure filled in. */
const isSound = (sentence: string) =>
  sentence !== UNEXPECTED && sentence.length > 5 && !/\{\{|\}\}|undefined|NaN|null|\[object|Infinity/.test(sentence);

describe('what is said of a house with a planted mistake', () => {
  for (const { rule, code, mistake, today } of PLANTED)
    it(`of ${rule} (${code}) is whole in both systems of units, with its cures`, () => {
      const project = mistake();
      const findings = checked(project, today);
      const own = findings.find((one) => one.check === rule && one.code === code)!;
      for (const units of ['metric', 'imperial'] as const) {
        for (const finding of findings) expect(findingSentence(finding, units), `${finding.code} ${units}`).to.satisfy(isSound);
        for (const cure of own.cures) expect(cureSentence(cure, units), `${cure.code} ${units}`).to.satisfy(isSound);
      }
      const lengths = /\d (mm|m|km)\b/;
      const inMetres = (finding: CheckedFinding) => findingSentence(finding, 'imperial').match(lengths)?.[0];
      // Limits of standards are told as they are written; figures of this house are not.
      if (inMetres(own)) expect(en.findings[code as keyof typeof en.findings], code).to.match(lengths);
    });
});
