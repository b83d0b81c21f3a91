import { type ReferenceEntry, referencePages, type ReferenceRule, referenceRules } from '../core/sheets/index.ts';
import { figureName, figureValue } from '../texts/figure-names.ts';
import { words } from '../texts/words.ts';

const say = (key: string, figures: Record<string, unknown> = {}): string => words.t(`reference.${key}`, figures);
const topicOf = (topic: string): string => words.t(`ui.checks.topics.${topic}`);
const GENERATED = 'Written by `npm run docs` from the calculators and rules; do not edit by hand.';

/** The pages of docs/reference by file name: the same that the app shows under Checks, Reference. */
export function referenceMarkdown(): Record<string, string> {
  const pages = referencePages();
  const index = [
    `# ${say('title')}`,
    '',
    GENERATED,
    '',
    say('lead'),
    '',
    ...pages.map(({ topic, entries }) => `- [${topicOf(topic)}](${topic}.md): ${entries.map(({ title }) => title).join('; ')}`),
    `- [${say('rules')}](rules.md): ${say('noFormula')}`,
    '',
  ];
  const rules = [
    `# ${say('rules')}`,
    '',
    GENERATED,
    '',
    say('noFormula'),
    '',
    ...referenceRules().flatMap(({ stage, rules: own }) => [
      `## ${words.t(`ui.checks.stages.${stage}`)}`,
      '',
      ...own.flatMap(ruleLines),
      '',
    ]),
  ];
  return {
    'reference/README.md': index.join('\n'),
    'reference/rules.md': rules.join('\n'),
    ...Object.fromEntries(
      pages.map(({ topic, entries }) => [
        `reference/${topic}.md`,
        [`# ${topicOf(topic)}`, '', GENERATED, '', say(`intro.${topic}`), '', ...entries.flatMap(entryLines)].join('\n'),
      ]),
    ),
  };
}

function entryLines(entry: ReferenceEntry): string[] {
  const { name, title, formulas, formulaIds, source, valid, fields, example, answer, steps, rules } = entry;
  return [
    `## ${title}`,
    '',
    ...formulas.map((formula) => `    ${formula}`),
    '',
    ...(formulaIds.length > 0 ? [`${say('formulaNumbers', { ids: formulaIds.join(', ') })}.`] : []),
    `${say('source')}: ${source}. ${say('holds')}: ${valid}.`,
    '',
    `${say('inputs')} (\`cli -- calculate ${name}\`):`,
    '',
    ...fields.map(({ name: field, words: about, choices, usual }) => {
      const notes = [withoutUnit(about), ...(choices.length > 0 ? [say('choices', { choices: choices.join(', ') })] : [])];
      if (usual !== undefined && usual !== null) notes.push(say('usual', { value: figureValue(usual) }));
      return `- \`${field}\`: ${[figureName(field), ...notes.filter((note) => note !== '')].join('; ')}`;
    }),
    '',
    `${say('example')}: ${figures(example)}`,
    '',
    ...steps.map((step) => `- ${step}`),
    ...(steps.length > 0 ? [''] : []),
    `${say('answer')}: ${figures(answer)}`,
    '',
    ...(rules.length > 0 ? [`${say('usedBy')}:`, '', ...rules.flatMap(ruleLines), ''] : []),
  ];
}

/** What is said of a field, without the unit that its name has already. */
const withoutUnit = (about: string): string =>
  about.replace(/^(m|mm|m2|mm2|degrees C?|degrees|Hz|MHz|kg|h|lm|lx|V|A|W|K|s|Gb\/s|cd\/m2|dB\w*)(; |, |$)/, '');

const figures = (values: Readonly<Record<string, unknown>>): string =>
  `${
    Object.entries(values)
      .map(([name, value]) => `${figureName(name)} ${figureValue(value)}`)
      .join('; ') || say('allUsual')
  }.`;

const ruleLines = ({ title, source, severity, regions, limits }: ReferenceRule): string[] => [
  `- **${title}** (${words.t(`terms.ranks.${severity}`)}). ${source}. ${
    regions.length > 0 ? say('regions', { regions: regions.join(', ') }) : say('everywhere')
  }.`,
  ...limits.map((limit) => `  - ${words.t(`ui.checks.limits.${limit.name}`)}: ${say('limit', { ...limit })}`),
];
