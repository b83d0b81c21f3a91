import { surveyTerms } from './survey.ts';

/** The trade's words for what the core names by code. */
export const terms = {
  ...surveyTerms,
  systems: {
    sound: 'Sound',
    picture: 'Picture',
    data: 'Data',
    coax: 'Coax',
    control: 'Control',
    shade: 'Shade',
    light: 'Light',
    guard: 'Guard',
  },
  states: {
    drafted: 'Drafted',
    issued: 'Issued',
    labelled: 'Labelled',
    pulled: 'Pulled',
    terminated: 'Terminated',
    tested: 'Tested',
  },
  ranks: { stop: 'Stop', look: 'Look', fine: 'Fine' },
  mounts: { ceiling: 'Ceiling', wall: 'Wall', floor: 'Floor' },
  units: { metric: 'Metric', imperial: 'Feet and inches' },
  outdoors: 'Outdoors',
} as const;
