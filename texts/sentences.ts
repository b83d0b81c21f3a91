import type { Cure, Finding } from '@dusky-spool/core/rules';
import {
  formatCableLength,
  formatClearance,
  formatLength,
  formatLengthFine,
  type Problem,
  type UnitSystem,
} from '@dusky-spool/core/math';
import { figureName } from './figure-names.ts';
import { words } from './words.ts';

const CABLE_LENGTHS = new Set(['lengthM', 'builtM', 'wantedM', 'cutLengthM', 'longestM']);

/** Lengths that are worked to the millimetre. */
const FINE_LENGTHS = new Set([
  'needM',
  'freeM',
  'depthM',
  'deepestM',
  'standsM',
  'overM',
  'shiftM',
  'sideM',
  'leastM',
  'mostM',
  'widestM',
  'widthM',
  'bottomM',
  'casingM',
  'notchM',
  'longM',
]);

/** Figures as they are read: the unit comes from the end of the figure's name. */
function readable(figures: Readonly<Record<string, unknown>>, units: UnitSystem): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(figures).map(([name, value]) => {
      if (value !== null && typeof value === 'object' && !Array.isArray(value))
        return [name, readable(value as Record<string, unknown>, units)];
      if (name === 'thing' && typeof value === 'string') return [name, words.t(`terms.features.${value}`).toLowerCase()];
      if (name === 'member' && words.exists(`terms.members.${String(value)}`))
        return [name, words.t(`terms.members.${String(value)}`).toLowerCase()];
      if ((name === 'kg' || name === 'requiredN') && typeof value === 'number') return [name, Math.round(value * 10) / 10];
      if (name === 'attitude' && typeof value === 'string') return [name, words.t(`terms.attitudes.${value}`).toLowerCase()];
      if (name === 'attitudes' && Array.isArray(value))
        return [name, value.map((one) => words.t(`terms.attitudes.${String(one)}`).toLowerCase()).join(', ')];
      if (name === 'topic' && typeof value === 'string') return [name, words.t(`terms.topics.${value}`).toLowerCase()];
      if (name === 'reason' && words.exists(`terms.clashes.${String(value)}`))
        return [name, words.t(`terms.clashes.${String(value)}`)];
      if (name === 'channel' && words.exists(`terms.channels.${String(value)}`))
        return [name, words.t(`terms.channels.${String(value)}`)];
      if (name === 'kind' && words.exists(`terms.features.${String(value)}`))
        return [name, words.t(`terms.features.${String(value)}`).toLowerCase()];
      if (name === 'channels' && Array.isArray(value))
        return [name, value.map((one) => words.t(`terms.channels.${String(one)}`).toLowerCase()).join(', ')];
      if (name === 'changed' && Array.isArray(value))
        return [name, value.map((part) => words.t(`terms.labelParts.${String(part)}`)).join(', ')];
      if (Array.isArray(value)) return [name, value.map(String).join(', ')];
      if (typeof value !== 'number') return [name, value];
      if (CABLE_LENGTHS.has(name)) return [name, formatCableLength(value, units)];
      if (FINE_LENGTHS.has(name)) return [name, formatClearance(value, units)];
      if (name.endsWith('M')) return [name, formatLength(value, units)];
      if (/(Deg|footLamberts|contrast|Contrast)$/.test(name)) return [name, Number(value.toFixed(1))];
      if (/(Percent|Hz|hz|CdM2|cdM2|Lm)$/.test(name)) return [name, Math.round(value)];
      if (name.endsWith('Db')) return [name, `${value.toFixed(2)} dB`];
      if (name.endsWith('Ohm')) return [name, `${Number(value.toFixed(2))} Ω`];
      if (name === 'bytes' || name === 'mostBytes') return [name, `${Math.round(value / 1048576)} MB`];
      return [name, value];
    }),
  );
}

/** Larger figures are no lengths of a house, m. */
const LONGEST_SHOWN_M = 1e6;

/** A value and its bounds in the unit of the field that they are about. */
function ofField(figures: Readonly<Record<string, unknown>>, units: UnitSystem): Record<string, string> {
  const isLength = typeof figures.field === 'string' && /[a-z]M$/.test(figures.field);
  const shown = ['value', 'least', 'most'].flatMap((name): [string, string][] => {
    const value = figures[name];
    if (typeof value !== 'number') return [];
    if (!isLength || Math.abs(value) > LONGEST_SHOWN_M) return [[name, String(Number(value.toPrecision(6)))]];
    return [[name, Math.abs(value) < 1 ? formatClearance(value, units) : formatLengthFine(value, units)]];
  });
  return Object.fromEntries(shown);
}

function filled(
  kind: 'problems' | 'findings' | 'cures',
  code: string,
  figures: Readonly<Record<string, unknown>>,
  units: UnitSystem,
): string {
  const key = `${kind}.${code}`;
  if (!words.exists(key) && !words.exists(`${key}_other`)) return words.t('problems.unexpected');
  return words.t(key, { ...readable(figures, units), ...ofField(figures, units) });
}

/** Names of fields that do not say what they are. */
const FIELD_NAMES: Readonly<Record<string, string>> = {
  x: 'From left',
  y: 'From bottom',
  heightM: 'Height',
  elevationM: 'Finished floor',
  studOffsetM: 'First stud',
  joistOffsetM: 'First joist',
};

/** A field of a record as it is named beside it: `walls.w1.thicknessM` is "Thickness". */
export function fieldName(path: string): string {
  const last =
    path
      .replace(/\[\d+\]/g, '')
      .split('.')
      .at(-1) ?? path;
  return FIELD_NAMES[last] ?? figureName(last).replace(/ \([^)]*\)$/, '');
}

/** What a value of a field must be, in words and in the units of the project; never in those of a schema. */
function invalidSentence(path: string, { reason, bound, side, of }: Problem, units: UnitSystem): string {
  // In a file it is also told which record it is.
  const name = path.includes('[') ? `${fieldName(path)} (${path})` : fieldName(path);
  const field = path.split('.').at(-1) ?? '';
  if (typeof bound === 'number' && typeof side === 'string') {
    if (of === 'string')
      return filled('problems', bound === 1 ? 'value-missing' : `value-letters-${side}`, { name, bound }, units);
    const limit = of === 'number' && /[a-z]M$/.test(field) ? formatLengthFine(bound, units) : String(bound);
    return filled('problems', `value-${side}`, { name, limit }, units);
  }
  // What the model says in its own words stands; what only a schema says does not.
  const own = typeof reason === 'string' && !/^(Invalid|Too |Unrecognized|Expected|Required)/i.test(reason) ? reason : null;
  return own
    ? filled('problems', 'value-wrong', { name, reason: own }, units)
    : filled('problems', `value-not${/code/i.test(field) ? '-code' : ''}`, { name }, units);
}

/** What is wrong and what cures it, in one or two sentences. */
export function problemSentence(problem: Problem, units: UnitSystem = 'metric'): string {
  if (problem.code === 'record-invalid' && typeof problem.field === 'string')
    return invalidSentence(problem.field, problem, units);
  const because = problem.because as Problem | undefined;
  const figures = { ...problem, ...(because ? { because: problemSentence(because, units) } : {}) };
  const blocked = `${problem.code}-${String(problem.blocked)}`;
  return filled('problems', words.exists(`problems.${blocked}`) ? blocked : problem.code, figures, units);
}

/** A finding in one plain sentence with its figures. */
export function findingSentence(finding: Pick<Finding, 'code' | 'figures'>, units: UnitSystem): string {
  const because = finding.figures.because as Problem | undefined;
  const figures = { ...finding.figures, ...(because ? { because: problemSentence(because, units) } : {}) };
  const better = finding.figures.better as { lossDb: number; gaugeAwg: number } | null | undefined;
  const sentence = filled('findings', finding.code, figures, units);
  return better
    ? `${sentence} ${filled('findings', 'speaker-better', better as unknown as Record<string, unknown>, units)}`
    : sentence;
}

/** The words on the button of a cure. */
export const cureSentence = (cure: Cure, units: UnitSystem): string => filled('cures', cure.code, cure.figures, units);
