import { err, ok, type Outcome } from '../outcome/index.ts';
import { FOOT_M, INCH_M, type LengthUnit, METRES_PER, type UnitSystem } from './factors.ts';

const NUMBER = String.raw`\d+(?:\.\d+)?|\.\d+`;
const INCHES = String.raw`(?:(?<whole>\d+)[ -]+)?(?<top>\d+)/(?<bottom>\d+)|(?<decimal>${NUMBER})`;
const METRIC = new RegExp(`^(?<value>${NUMBER}) ?(?<unit>mm|cm|m|ft|in)?$`);
const FEET_INCHES = new RegExp(`^(?<feet>${NUMBER}) ?' ?-? ?(?:(?:${INCHES}) ?"?)?$`);
const INCHES_ONLY = new RegExp(`^(?:${INCHES}) ?"$`);

/**
 * Reads a length as people type it: `1.68 m`, `168cm`, `1,68`, `5' 6 1/2"`, `66 in`, `5ft 6in`.
 * Units: returns metres. A bare number is in metres for a metric project and in feet for an imperial one.
 * Problems: `length-empty`, `length-not-read`, `length-comma-ambiguous`, `length-zero-divisor`.
 */
export function parseLength(text: string, system: UnitSystem, bareUnit?: LengthUnit): Outcome<number> {
  const tidy = normalise(text);
  if (tidy === '') return err('length-empty', { kind: 'incomplete' });
  if (/\d,\d{3}(?!\d)/.test(tidy)) return err('length-comma-ambiguous', { kind: 'invalid', typed: text });
  const sign = tidy.startsWith('-') ? -1 : 1;
  const body = tidy.replace(/^[-+] ?/, '').replace(/(\d),(\d)/g, '$1.$2');

  const metric = METRIC.exec(body);
  if (metric?.groups) {
    const unit = (metric.groups.unit as LengthUnit | undefined) ?? bareUnit ?? (system === 'metric' ? 'm' : 'ft');
    return ok(sign * Number(metric.groups.value) * METRES_PER[unit]);
  }
  const feet = FEET_INCHES.exec(body.replace(/ ?ft ?/, "'").replace(/ ?in$/, '"'));
  const parts = feet ?? INCHES_ONLY.exec(body.replace(/ ?in$/, '"'));
  if (!parts?.groups) return err('length-not-read', { kind: 'invalid', typed: text });
  const { feet: feetText = '0', whole = '0', top, bottom, decimal = '0' } = parts.groups;
  if (bottom !== undefined && Number(bottom) === 0) return err('length-zero-divisor', { kind: 'invalid', typed: text });
  const inches = top === undefined ? Number(decimal) : Number(whole) + Number(top) / Number(bottom);
  return ok(sign * (Number(feetText) * FOOT_M + inches * INCH_M));
}

function normalise(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[\u2032\u2019\u2018`´]/g, "'")
    .replace(/[\u2033\u201d\u201c]|''/g, '"')
    .replace(/\u2212/g, '-')
    .replace(/\b(?:feet|foot)\b/g, 'ft')
    .replace(/\b(?:inches|inch)\b/g, 'in')
    .replace(/\b(?:metres|metre|meters|meter)\b/g, 'm')
    .replace(/½/g, ' 1/2')
    .replace(/¼/g, ' 1/4')
    .replace(/¾/g, ' 3/4')
    .replace(/\s+/g, ' ')
    .trim();
}
