import { guidePages } from '../texts/index.ts';

const GENERATED = 'Written by `npm run docs` from `texts/en/guide.ts`, which the app shows as its guide; do not edit by hand.';

/** The pages of docs/guide by file name: the same that the app shows at /guide. */
export function guideMarkdown(): Record<string, string> {
  const index = ['# Guide', '', GENERATED, '', ...guidePages.map(({ id, title, lead }) => `- [${title}](${id}.md): ${lead}`), ''];
  const pages = guidePages.map(({ id, title, lead, picture, sections }): [string, string] => [
    `guide/${id}.md`,
    [
      `# ${title}`,
      '',
      GENERATED,
      '',
      lead,
      '',
      ...(picture ? [`![${title}](../screenshots/${picture})`, ''] : []),
      ...sections.flatMap((section) => [
        `## ${section.title}`,
        '',
        ...(section.text ? [section.text, ''] : []),
        ...(section.steps ? [...section.steps.map((step, n) => `${n + 1}. ${step}`), ''] : []),
      ]),
    ].join('\n'),
  ]);
  return { 'guide/README.md': index.join('\n'), ...Object.fromEntries(pages) };
}
