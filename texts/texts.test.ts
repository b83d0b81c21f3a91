import { expect } from 'chai';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import {
  ANSWERS,
  ATTITUDES,
  BOX_KINDS,
  BRIEF_TOPICS,
  CEILING_KINDS,
  CONDITIONS,
  DECISIONS,
  FACT_STATES,
  FEATURE_KINDS,
  FITTINGS,
  FRAMINGS,
  GROUP_KINDS,
  HEIGHT_EDGES,
  LABELLED_ENDS,
  LEG_ENDS,
  MOUNTS,
  NEUTRALS,
  OPENING_KINDS,
  PARTS,
  PLATE_OPENINGS,
  RACK_KINDS,
  SPEAKER_COLOURS,
  STUD_MATERIALS,
  SUBSTRATES,
  TRADE_GATES,
  WALK_RESULTS,
  WALL_KINDS,
  WISHES,
} from '@dusky-spool/core/model';
import { ANCHOR_CAUTIONS, ANCHORS, FEATURE_GROUPS, surveyQuestions } from '@dusky-spool/core/house';
import { EDGES } from '@dusky-spool/core/survey';
import { smallHouse, twoStoreyHouse } from '@dusky-spool/core/testing';
import { CLASHES, DISPLAY_REASONS, INSERTS, PLATE_PROBLEMS } from '@dusky-spool/core/devices';
import { CHECKS } from '@dusky-spool/core/rules';
import { en } from './en/index.ts';
import { problemSentence } from './sentences.ts';

const ROOT = join(import.meta.dirname, '..');
const sources = (folder: string): string[] =>
  readdirSync(join(ROOT, folder)).flatMap((name) => {
    const path = join(folder, name);
    if (name === 'node_modules' || name === 'dist') return [];
    if (statSync(join(ROOT, path)).isDirectory()) return sources(path);
    return /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name) ? [path] : [];
  });
const lookUp = (tree: unknown, key: string): unknown =>
  key.split('.').reduce<unknown>((node, part) => (node as Record<string, unknown> | undefined)?.[part], tree);

describe('the texts', () => {
  it('have a word for everything that the core names', () => {
    const lists: [string, readonly string[]][] = [
      ['features', FEATURE_KINDS],
      ['groups', FEATURE_GROUPS],
      ['walls', WALL_KINDS],
      ['framings', FRAMINGS],
      ['ceilings', CEILING_KINDS],
      ['openings', OPENING_KINDS],
      ['racks', RACK_KINDS],
      ['studs', STUD_MATERIALS],
      ['edges', HEIGHT_EDGES],
      ['decisions', DECISIONS],
      ['factStates', FACT_STATES],
      ['tests', FACT_STATES],
      ['align', EDGES],
      ['substrates', SUBSTRATES],
      ['conditions', CONDITIONS],
      ['neutrals', NEUTRALS],
      ['displayReasons', DISPLAY_REASONS],
      ['mounts', MOUNTS],
      ['parts', PARTS],
      ['legEnds', LEG_ENDS],
      ['boxes', BOX_KINDS],
      ['groupKinds', GROUP_KINDS],
      ['plateOpenings', PLATE_OPENINGS],
      ['inserts', INSERTS],
      ['topics', BRIEF_TOPICS],
      ['answers', ANSWERS],
      ['gates', TRADE_GATES],
      ['walkFound', WALK_RESULTS],
      ['fittings', FITTINGS],
      ['attitudes', ATTITUDES],
      ['labelledEnds', LABELLED_ENDS],
      ['wishes', WISHES],
      ['speakerColours', SPEAKER_COLOURS],
      ['anchors', ANCHORS],
      ['anchorCautions', ANCHOR_CAUTIONS],
    ];
    for (const [key, names] of lists) {
      for (const name of names)
        expect(lookUp(en.terms, `${key}.${name}`), `terms.${key}.${name}`)
          .to.be.a('string')
          .and.not.equal('');
    }
  });

  it('have a question for everything that the survey asks', () => {
    const house = twoStoreyHouse();
    const asked = [house, smallHouse({ walls: { west: { kind: 'closed' } } })].flatMap(surveyQuestions);
    for (const { subject, field } of asked)
      expect(lookUp(en.ui, `questions.${subject}.${field}`), `${subject}.${field}`).to.be.a('string');
  });

  it('have a sentence for every problem that is refused anywhere', () => {
    const codes = ['core', 'server', 'web', 'cli']
      .flatMap(sources)
      .flatMap((path) =>
        [...readFileSync(join(ROOT, path), 'utf8').matchAll(/\b(?:err|refusal)\(\s*'([a-z-]+)'/g)].map(([, code]) => code),
      );
    expect(new Set(codes).size).to.be.greaterThan(60);
    const without = [...new Set(codes)].filter((code) => !Object.hasOwn(en.problems, code) && !Object.hasOwn(en.findings, code));
    expect(without).to.deep.equal([]);
    expect(problemSentence({ code: 'wall-too-short', wallM: 0.01, leastM: 0.05 })).to.equal(
      'A wall of 0.01 m cannot be built. Make it at least 50 mm long.',
    );
  });

  it('have every key that a screen asks for by name', () => {
    const missing = sources('web').flatMap((path) =>
      [...readFileSync(join(ROOT, path), 'utf8').matchAll(/\b(text|term)\('([\w.-]+)'/g)].flatMap(([, kind, key]) => {
        const tree = kind === 'text' ? en.ui : en.terms;
        return [key, `${key}_other`, `${key}.0`].some((one) => lookUp(tree, one) !== undefined)
          ? []
          : [`${path}: ${kind} ${key}`];
      }),
    );
    expect(missing).to.deep.equal([]);
  });

  it('have a sentence for everything that keeps a device from being built', () => {
    expect([...CLASHES, ...PLATE_PROBLEMS].filter((code) => !Object.hasOwn(en.findings, code))).to.deep.equal([]);
  });

  it('name every rule once', () => {
    expect(new Set(CHECKS.map(({ title }) => title)).size).to.equal(CHECKS.length);
  });
});
