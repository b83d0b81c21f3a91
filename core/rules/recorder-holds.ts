import { defineCheck, type RuleFinding, say } from './check.ts';
import { HEAD_END_NODES, inHeadEnds, ofRack } from './head-end-subjects.ts';

const LIMITS = { days: { usual: 14, min: 1, max: 90, unit: 'days', safer: 'more' } } as const;

/** A recorder has a channel for every camera and door station, and keeps their pictures long enough (ENGINEERING 12). */
export const recorderHolds = defineCheck({
  id: 'recorder-holds',
  title: 'Recorders hold all cameras',
  source: 'Trade practice: 14 days',
  calculators: ['recorder-disk'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'racks',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  limits: LIMITS,
  run: ({ read, limit }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] => {
      const { recorder } = headEnd;
      if (!recorder || recorder.cameras === 0) return [];
      const about = { rack: headEnd.rack.name, number: headEnd.rack.code, count: recorder.cameras, channels: recorder.channels };
      if (recorder.channels < recorder.cameras)
        return [
          say('stop', 'recorder-short', ofRack(headEnd), about, { measured: recorder.channels, allowed: recorder.cameras }),
        ];
      if (recorder.days !== null && recorder.days < limit('days') * (1 - 1e-9))
        return [
          say(
            'look',
            'recorder-days-short',
            ofRack(headEnd),
            { ...about, days: Math.floor(recorder.days), wantedDays: limit('days') },
            { measured: recorder.days, allowed: limit('days'), unit: 'days' },
          ),
        ];
      return [];
    }),
});
