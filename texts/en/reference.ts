/** What each page of the reference says before its formulas, for the people who use them. */
export const reference = {
  title: 'Engineering reference',
  lead: 'The formulas, limits and sources behind the calculators and checks. Results are planning aids: local code and the product’s own instructions come first.',
  open: 'Open the reference',
  openCalculator: 'Open the calculator',
  formulas: 'Formula',
  holds: 'Valid for',
  source: 'Source',
  inputs: 'Inputs',
  example: 'Worked example',
  answer: 'Answer',
  usedBy: 'Rules that use it',
  limit: 'set at {{usual}} {{unit}}, may be {{least}} to {{most}}',
  usual: 'usually {{value}}',
  choices: 'one of {{choices}}',
  formulaNumbers: 'Formula {{ids}}',
  allUsual: 'all inputs as usual',
  rules: 'Rules',
  noFormula: 'Every rule of the checks with its source, its severity and the limits that may be set.',
  regions: 'Holds in {{regions}}',
  everywhere: 'Holds everywhere',
  intro: {
    wire: 'A conductor is described by its gauge: three gauge numbers down, the copper area doubles and the resistance halves. Resistance rises by about 4 % for every 10 °C. Bends and pulls are limited so that a cable keeps the geometry it was tested with.',
    speakers:
      'Speaker cable loses level in proportion to its resistance against the load. Half a decibel is the usual aim for a critical pair, one decibel elsewhere. Several speakers on one output lower the load; keep it at or above what the amplifier is rated for.',
    power:
      'A direct-current feed loses volts on the way out and back, so the loop is twice the length. Devices with their own converters take more current as the voltage falls; beyond a point the feed cannot deliver at all. Mains work belongs to a licensed electrician.',
    data: 'A network link is planned with at most 90 m of installed cable and 10 m of cords. Heat shortens it, and power over the cable adds heat, above all in large bundles.',
    pictures:
      'A video link must carry the pixel rate over its length. Passive copper reaches a few metres at the highest rates; beyond that use active optical cable or category cable with converters, and leave a conduit for the next standard.',
    coax: 'Coax loses more at higher frequencies. Plan the level at every outlet to lie within its window: too high overloads a tuner just as too low starves it. Masts, dishes and cables that come in from outdoors are bonded and protected by a licensed trade as local code says.',
    ways: 'A conduit is filled to a share of its inside area, so that cables go in and more can follow. Three equal cables in a conduit about three times their diameter may wedge. Tension grows with every bend; pull from the end where it stays lower.',
    structure:
      'Holes and notches weaken timber, so their size and place are limited; what is not covered goes to the engineer or manufacturer. Keep data and audio cable away from mains. Anything heavy is fastened to structure, and overhead loads are held twice.',
    placing:
      'Heights are measured from the finished floor to the middle of the device. Ceiling speakers cover a disc at ear height; its size follows from the height and the angle of the speaker.',
    security:
      'A loop has a largest resistance at which the panel still tells its states apart. A standby battery carries the system for the hours that local code or the insurer asks for.',
    order:
      'Cable is cut a little longer than its route, and ordered a little longer than it is cut. Concealed runs are not spliced, so every run must fit on one spool. Hours are a range, not a quote.',
    theatre:
      'Seat, picture and sound depend on each other. The viewing angle sets screen or seat, the rows set the risers, the distance and target level set the amplifiers. A room adds its own resonances in the bass.',
    coverage:
      'A camera resolves what its pixels allow at a distance: the same lens shows that somebody is there farther away than who it is. Radio weakens with distance and with every wall.',
    shades:
      'A shade’s tube must take the roll of its fabric, and the pocket must take both. Where the sun stands over the year tells which windows need one, and when.',
    'head-end':
      'A rack turns nearly all of its power into heat. Keep circuits below what a continuous load may take, leave ports and units spare, and give hot equipment air.',
    survey:
      'A plan is scaled by a length that was measured, and checked with a second one. Levels are laid over each other by points that both have. Under a roof, the height decides where a person can crawl and a drill can work.',
  },
} as const;
