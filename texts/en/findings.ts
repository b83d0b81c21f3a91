/** Findings in one plain sentence, by code. */
export const findings = {
  'speaker-loss-over':
    '{{gaugeAwg}} AWG loses {{lossDb}} over {{lengthM}} at {{loadOhm}}, more than the {{limitDb}} allowed (loop {{loopOhm}}).',
  'speaker-loss-near': '{{gaugeAwg}} AWG loses {{lossDb}} over {{lengthM}} at {{loadOhm}}, close to the {{limitDb}} allowed.',
  'speaker-loss-fine':
    '{{gaugeAwg}} AWG loses {{lossDb}} over {{lengthM}} at {{loadOhm}}, within {{limitDb}} (loop {{loopOhm}}).',
  'speaker-gauge-thin':
    '{{gaugeAwg}} AWG loses {{lossDb}}, but practice wants {{thinnestAwg}} AWG or thicker for this load and use.',
  'speaker-clad-aluminium': 'Copper-clad aluminium has 1.6 times the resistance and breaks at screws. Use copper.',
  'speaker-better': '{{gaugeAwg}} AWG loses {{lossDb}}.',
  'route-missing': '{{number}} has no way to its rack. {{because}}',
  'kept-route-differs': '{{number}} is {{state}} at {{builtM}}; the plan now wants {{wantedM}}. Decide which holds.',
  'kept-route-impossible': '{{number}} is {{state}} at {{builtM}}, but the plan has no way for it any more. Decide which holds.',
} as const;

/** Words on the buttons of cures. */
export const cures = {
  'use-gauge': 'Use {{gaugeAwg}} AWG',
  'keep-built': 'Keep as built',
  'move-back': 'Move the device back',
  'pull-again': 'Pull again to the plan',
} as const;
