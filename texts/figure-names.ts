/** Units at the ends of names of figures, the longer ones first. */
const UNITS: readonly (readonly [string, string])[] = [
  ['OhmPerKm', 'Ω/km'],
  ['OhmPerM', 'Ω/m'],
  ['KgPerM2', 'kg/m²'],
  ['KgPerM', 'kg/m'],
  ['KwhPerM2', 'kWh/m²'],
  ['WPerM2K', 'W/m²K'],
  ['LbfPerIn', 'lbf/in'],
  ['DbuvPerM', 'dBµV/m'],
  ['DbPer100M', 'dB/100 m'],
  ['DbPer30M', 'dB/30 m'],
  ['M3PerS', 'm³/s'],
  ['BtuPerH', 'BTU/h'],
  ['PxPerM', 'px/m'],
  ['NPerM', 'N/m'],
  ['PerM', 'per m'],
  ['PerS', 'per s'],
  ['CdM2', 'cd/m²'],
  ['Dbuv', 'dBµV'],
  ['Dbmv', 'dBmV'],
  ['Dbm', 'dBm'],
  ['Dbi', 'dBi'],
  ['Mm2', 'mm²'],
  ['Gbps', 'Gb/s'],
  ['Hours', 'h'],
  ['Minutes', 'min'],
  ['Ohm', 'Ω'],
  ['Mhz', 'MHz'],
  ['Awg', 'AWG'],
  ['Deg', '°'],
  ['Rad', 'rad'],
  ['Min', 'min'],
  ['Mm', 'mm'],
  ['Km', 'km'],
  ['M2', 'm²'],
  ['Db', 'dB'],
  ['Ah', 'Ah'],
  ['Wh', 'Wh'],
  ['Va', 'VA'],
  ['Nm', 'Nm'],
  ['Kg', 'kg'],
  ['Hz', 'Hz'],
  ['Ms', 'ms'],
  ['Ns', 'ns'],
  ['Lx', 'lx'],
  ['Lm', 'lm'],
  ['M', 'm'],
  ['V', 'V'],
  ['A', 'A'],
  ['W', 'W'],
  ['C', '°C'],
  ['K', 'K'],
  ['N', 'N'],
  ['S', 's'],
];
/** Names whose parts do not say it. */
const WORDS: Readonly<Record<string, string>> = {
  ok: 'Within its limits',
  fits: 'Fits',
  kcmil: 'Area (kcmil)',
  ohmPerKm: 'Resistance (Ω/km)',
  ohmPerM: 'Resistance (Ω/m)',
  dbPer100M: 'Loss (dB/100 m)',
  dbPer30M: 'Loss (dB/30 m)',
  pxPerM: 'Density (px/m)',
  cdM2: 'Luminance (cd/m²)',
  btuPerH: 'Heat (BTU/h)',
  kgPerM: 'Weight (kg/m)',
  nPerM: 'Withdrawal (N/m)',
  lbfPerIn: 'Withdrawal (lbf/in)',
  cfm: 'Air (CFM)',
  hours: 'Hours (h)',
  minutes: 'Time (min)',
  lux: 'Light (lx)',
  hz: 'Frequency (Hz)',
  volts: 'Voltage (V)',
  watts: 'Power (W)',
  bits: 'Bits a colour',
  jams: 'May wedge',
  rise: 'Rise',
};

/** A figure's name as words with its unit: `longestM` is "Longest (m)". */
export function figureName(name: string): string {
  if (WORDS[name]) return WORDS[name];
  const unit = UNITS.find(
    ([suffix]) => name.length > suffix.length && name.endsWith(suffix) && /[a-z0-9]/.test(name[name.length - suffix.length - 1]),
  );
  const bare = unit ? name.slice(0, -unit[0].length) : name.replace(/Fraction$/, 'Share');
  const words = bare
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/\bleast\b/, 'min.')
    .replace(/\bmost\b/, 'max.');
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}${unit ? ` (${unit[1]})` : ''}`;
}

/** A figure as it is read: four digits that count, lists with commas, yes and no. */
export function figureValue(value: unknown): string {
  if (value === null || value === undefined) return '–';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return Number.isFinite(value) ? String(Number(value.toPrecision(4))) : 'without end';
  if (Array.isArray(value)) return value.map(figureValue).join(', ') || '–';
  if (typeof value === 'object')
    return Object.entries(value)
      .map(([name, one]) => `${figureName(name)} ${figureValue(one)}`)
      .join(', ');
  return String(value);
}
