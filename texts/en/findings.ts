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
  'opening-wider-than-wall': 'The {{kind}} of {{widthM}} does not fit its wall of {{wallM}}.',
  'opening-outside-wall': 'The {{kind}} of {{widthM}} reaches beyond its wall of {{wallM}}.',
  'opening-overlaps': 'Two openings lie in the same place of one wall. Move one of them.',
  'opening-above-ceiling': 'The head of the {{kind}} at {{headM}} is above the ceiling at {{ceilingM}}. One of them is wrong.',
  'levels-overlap': '{{upper}} begins {{overlapM}} below the ceiling of {{lower}}.',
  'ceiling-below-head':
    'The ceiling of {{room}} at {{ceilingM}} is below the head of a {{kind}} at {{headM}}. Measure both again.',
  'room-open': 'The walls of {{room}} are not closed. Close them, or remove the room.',
  'cavity-not-known': 'The cavity of a wall ({{wall}}) is not known. Open it, or plan for the surface.',
  'brief-device-missing':
    '{{room}}: {{wanted}} wanted for {{topic}}, {{placed}} placed. Place what is missing, or talk about it again.',
  'brief-threshold-missed':
    '{{room}}: the brief asks for {{asked}} {{unit}} of {{topic}}, the plan reaches {{reached}} {{unit}}.',
  'brief-nothing-wanted': '{{room}}: nothing was to come for {{topic}} on purpose, but {{placed}} is placed.',
  'decision-late': '{{subject}} should have been decided by {{lastSafeOn}} ({{days}} days ago). {{owner}} must decide now.',
  'decision-soon': '{{subject}} must be decided by {{lastSafeOn}}, in {{days}} days, by {{owner}}.',
  'signed-not-discussed': '{{room}} is signed, but {{count}} of its topics were not discussed. Ask, and have it signed again.',
} as const;

/** Words on the buttons of cures. */
export const cures = {
  'use-gauge': 'Use {{gaugeAwg}} AWG',
  'keep-built': 'Keep as built',
  'move-back': 'Move the device back',
  'pull-again': 'Pull again to the plan',
  'fit-opening': 'Move or narrow it to {{widthM}}',
  'brief-want': 'Write it down as wanted',
  'lift-level': 'Raise {{name}} to {{elevationM}}',
} as const;
