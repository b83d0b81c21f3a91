import { defineCheck, type RuleFinding, say } from './check.ts';

/** The way out of the air of a closet does not pierce a fire separation without a listed damper (PRACTICE A55). */
export const exhaustSeparation = defineCheck({
  id: 'exhaust-separation',
  title: 'Exhaust air leaves the fire separation whole',
  source: 'Building codes: openings in a fire separation; the inspector decides',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'racks',
  reads: ['racks'],
  nodes: [],
  safety: true,
  run: ({ project }): RuleFinding[] =>
    Object.values(project.racks).flatMap(({ id, name, code, closet }) => {
      if (!closet || closet.exhaustBy === 'none' || closet.pierces === 'none') return [];
      if (closet.pierces === 'separation' && closet.hasDamper) return [];
      const isKnown = closet.pierces === 'separation';
      return [
        say(isKnown ? 'stop' : 'look', isKnown ? 'exhaust-pierces' : 'exhaust-unknown', [{ in: 'racks', id }], {
          rack: name,
          number: code,
        }),
      ];
    }),
});
