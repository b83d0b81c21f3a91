import { THEATRES } from '../theatre/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { inTheatres } from './theatre-subjects.ts';

/** Nothing stands between a speaker and the seats: beams, soffits, a picture without holes, heads (ENGINEERING 10.3). */
export const speakersInSight = defineCheck({
  id: 'speakers-in-sight',
  title: 'Seats see their speakers',
  source: 'Geometry of sight lines; first Fresnel zone by trade practice',
  calculators: ['sound-sight-line'],
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['features', 'rooms'],
  nodes: [THEATRES],
  run: ({ project, read }) =>
    inTheatres(read, project, ({ channels, seats }, room) =>
      channels.flatMap(({ channel, deviceId, seats: at }): RuleFinding[] => {
        if (channel === 'subwoofer') return [];
        const hidden = at.flatMap(({ sight, behind }, n) => (sight === 'blocked' ? [{ n, behind }] : []));
        if (hidden.length === 0) return [];
        const [{ behind }] = hidden;
        const feature = behind?.featureId ? project.features[behind.featureId] : null;
        const isReference = hidden.some(({ n }) => seats[n].isReference);
        return [
          say(
            isReference ? 'stop' : 'look',
            feature ? 'speaker-behind-thing' : behind?.seat ? 'speaker-behind-head' : 'speaker-behind-picture',
            [{ in: 'devices', id: deviceId }, ...(feature ? [{ in: 'features' as const, id: feature.id }] : [])],
            {
              number: room.code,
              channel,
              seats: seats.length,
              blocked: hidden.length,
              ...(feature ? { kind: feature.kind } : {}),
            },
            { measured: hidden.length, allowed: 0 },
          ),
        ];
      }),
    ),
});
