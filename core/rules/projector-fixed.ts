import { PROJECTOR_AIR_M, projectorMounts, THEATRES } from '../theatre/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { inTheatres } from './theatre-subjects.ts';

const LIMITS = {
  rearM: { usual: PROJECTOR_AIR_M, min: 0.1, max: 1, unit: 'm', safer: 'more' },
} as const;

/** A projector hangs from members, not from drywall, and breathes (ENGINEERING 9.4, 11). */
export const projectorFixed = defineCheck({
  id: 'projector-fixed',
  title: 'The projector hangs from members and breathes',
  source: 'Trade practice; lag screws by ANSI/AWC NDS',
  calculators: ['fixing-load', 'lag-screw'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['devices', 'deviceTypes', 'framingMembers', 'levels', 'rooms', 'walls'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, (theatre, room): RuleFinding[] =>
      projectorMounts(project, room, theatre).flatMap(({ deviceId, seat, joistM, weightKg, requiredN, lags, rearM }) => {
        const subjects = [{ in: 'devices' as const, id: deviceId }];
        const about = { number: room.code, kg: weightKg, requiredN, count: lags };
        const found: RuleFinding[] = [];
        if (seat === 'half') found.push(say('look', 'projector-half-on-joist', subjects, { ...about, joistM: joistM! }));
        if (rearM < limit('rearM') - 1e-9)
          found.push(
            say(
              'look',
              'projector-no-air',
              subjects,
              { ...about, rearM, leastM: limit('rearM') },
              { measured: rearM, allowed: limit('rearM'), unit: 'm' },
            ),
          );
        return found;
      }),
    ),
});
