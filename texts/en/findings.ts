/** Findings in one plain sentence, by code. */
export const findings = {
  'speaker-loss-over':
    '{{gaugeAwg}} AWG loses {{lossDb}} over {{lengthM}} at {{loadOhm}}, more than the target of {{limitDb}} (loop {{loopOhm}}).',
  'speaker-loss-near': '{{gaugeAwg}} AWG loses {{lossDb}} over {{lengthM}} at {{loadOhm}}, close to the target of {{limitDb}}.',
  'speaker-loss-fine':
    '{{gaugeAwg}} AWG loses {{lossDb}} over {{lengthM}} at {{loadOhm}}, within {{limitDb}} (loop {{loopOhm}}).',
  'speaker-gauge-thin':
    '{{gaugeAwg}} AWG loses {{lossDb}}, but practice wants {{thinnestAwg}} AWG or thicker for this load and use.',
  'speaker-clad-steel': 'Copper-clad steel has two to five times the resistance of copper: not for speakers. Use copper.',
  'speaker-clad-aluminium': 'Copper-clad aluminum has 1.6 times the resistance and breaks at screws. Use copper.',
  'speaker-better': '{{gaugeAwg}} AWG loses {{lossDb}}.',
  'rule-not-passed':
    '{{number}} cannot pass its “Route via” point: it was deleted, or no route leads there. Remove the rule, or choose another point.',
  'rule-not-avoided':
    '{{number}} cannot avoid what it should: there is no other route. Remove the rule, or make another pathway.',
  'mains-touching': 'Against {{mains}}, for {{touchingM}}: {{runs}}. Keep {{keepM}}, or have the electrician move or enclose it.',
  'mains-parallel':
    'Beside {{mains}}, {{parallelM}} long and {{leastM}} away at the nearest: {{runs}}. Keep {{keepM}} where it is longer than {{longestM}}.',
  'mains-skewed': 'Across {{mains}} at {{angleDeg}} degrees: {{runs}}. Cross it squarely.',
  'route-missing': '{{number}} has no route to its rack. {{because}}',
  'kept-route-differs': '{{number}} is {{state}} at {{builtM}}; the plan now needs {{wantedM}}. Decide which one counts.',
  'kept-route-impossible':
    '{{number}} is {{state}} at {{builtM}}, but the plan no longer has a route for it. Decide which one counts.',
  'changed-after-boards':
    '{{number}} was {{state}} at {{builtM}}, and drywall went up on {{on}}; the plan has changed since. Move the device back, keep what was built, or plan the opening of the wall.',
  'opening-wider-than-wall': 'The {{kind}} of {{widthM}} does not fit its wall of {{wallM}}.',
  'opening-outside-wall': 'The {{kind}} of {{widthM}} reaches beyond its wall of {{wallM}}.',
  'opening-overlaps': 'Two openings lie in the same place of one wall. Move one of them.',
  'opening-above-ceiling': 'The head of the {{kind}} at {{headM}} is above the ceiling at {{ceilingM}}. One of them is wrong.',
  'levels-overlap': '{{upper}} begins {{overlapM}} below the ceiling of {{lower}}.',
  'ceiling-below-head':
    'The ceiling of {{room}} at {{ceilingM}} is below the head of a {{kind}} at {{headM}}. Measure both again.',
  'room-open': 'The walls of {{room}} are not closed. Close them, or remove the room.',
  'cavity-not-known': 'The cavity of a wall ({{place}}, {{wallM}} long) is not known. Open it, or plan for the surface.',
  'mount-outside': '{{device}} stands in no room. Move it into one, or take a type for outdoors.',
  'mount-no-wall': '{{device}} is on no wall. Move it to one.',
  'mount-above-ceiling': '{{device}} reaches to {{heightM}}, above the ceiling at {{ceilingM}}. Lower it.',
  'mount-below-floor': '{{device}} lies at {{heightM}}, below the floor. Raise it.',
  'mount-in-opening': '{{device}} reaches {{overM}} into a {{kind}}. Move it beside the opening.',
  'mount-on-casing': '{{device}} lies on the casing of a {{kind}} ({{casingM}} wide). Move it clear.',
  'mount-near-casing':
    '{{device}} is {{freeM}} from the casing of a {{kind}}; {{needM}} is to be kept, so that a hand reaches it past the door. Move it.',
  'mount-box-shallow':
    'The existing box is {{deepestM}} deep, and {{device}} needs {{depthM}}. Change the box, or choose a shallower device.',
  'mount-attitude':
    '{{device}} is mounted {{attitude}}, which its maker does not allow (allowed: {{attitudes}}). Turn it, or choose one that may hang so.',
  'mount-on-stud':
    '{{device}} needs {{needM}} free to each side of its middle; a stud leaves {{freeM}}. Find the stud, then move into a bay.',
  'mount-on-joist':
    'The cut-out of {{device}} meets a joist: {{needM}} is needed from its middle, {{freeM}} is free. Never cut the joist.',
  'mount-beside-joist': 'The clamps of {{device}} need {{needM}} from its middle to the joist; {{freeM}} is free.',
  'mount-no-cavity':
    'There is no cavity behind {{device}}, which needs {{depthM}}. Choose one for the surface, or have it furred out.',
  'mount-too-deep':
    '{{device}} needs {{depthM}} behind the face, but only {{deepestM}} is there. Choose a shallower one or another place.',
  'mount-cavity-unknown': 'The cavity behind {{device}} is not measured; it needs {{depthM}}. Open it and look.',
  'mount-in-thing': '{{device}} meets a {{thing}}: {{needM}} is needed, {{freeM}} is free. Move it, or have the {{thing}} moved.',
  'mount-near-thing':
    '{{device}} is {{freeM}} from a {{thing}}; practice wants {{needM}}. Heat, air and water decide: ask its trade.',
  'mount-near-device': '{{device}} is {{freeM}} from another device; {{needM}} is to be kept clear.',
  'mount-on-device': '{{device}} lies over another device. Move one of them.',
  'mount-fire-surface':
    '{{device}} needs a cut-out in a surface that holds back fire. Use a listed closed box or hood; the listing and the inspector decide.',
  'mount-overload':
    '{{kg}} kg on this mount is more than {{mostKg}} kg that two rows of lag screws hold with the load factor. Choose a mount with a shorter reach or a lighter device. Two persons lift it.',
  'mount-needs-blocking':
    '{{device}} weighs {{kg}} kg with its mount and must be held with {{requiredN}} N; drywall and {{studs}} stud behind it do not. Add blocking before the drywall. Two persons lift it.',
  'mount-overhead':
    '{{device}} hangs {{kg}} kg overhead: the fixing must bear {{requiredN}} N (factor 10), from structure, never from drywall, with an independent safety cable. Add blocking.',
  'mount-over-rated': '{{device}} weighs {{kg}} kg; its mount is rated for {{ratedKg}} kg.',
  'mount-too-wide': '{{device}} is {{widthM}} wide; its mount takes {{widestM}}.',
  'mount-bracket-misfit': 'The cut-out of {{sideM}} does not fit the bracket, which takes {{leastM}} to {{mostM}}.',
  'mount-head-room': '{{device}} stands out into the path at {{bottomM}}; heads need {{leastM}}.',
  'mount-sight-lost': 'No seat sees {{device}}: a {{thing}} is in the way of all {{seats}}. Move it out from behind.',
  'mount-sight-part': '{{blocked}} of {{seats}} seats do not see {{device}} whole: a {{thing}} is in the way.',
  'mount-not-flush': '{{device}} is wished flush, but stands out {{standsM}}. Take a recessed mount.',
  'mount-does-not-turn': '{{device}} is to turn to another place, but nothing lets it turn. Take a mount with an arm.',
  'mount-sweep':
    'Drawn out to {{outM}} and turned {{turnDeg}}°, {{device}} meets a {{thing}}. Move it, take a shorter arm, or accept that it turns less.',
  'mount-no-far-device': '{{device}} takes its {{lead}} from a {{far}}, and none is on the plan. Place one in a recessed box.',
  'conductors-short':
    '{{number}} uses {{used}} conductors by its map ({{map}}); {{cable}} has {{has}}. Take another map or cable.',
  'plate-no-divider':
    'Mains and low voltage share the box of this plate without a divider. Set a listed divider, or take two boxes.',
  'plate-mains-over': 'The plate has {{gangs}} gangs, and {{mainsGangs}} are for mains. Correct one of the two.',
  'plate-insert-outside':
    '{{count}} of its inserts stand in a gang that is not there, or on the wrong side of the divider. Move them.',
  'plate-gang-full': 'Gang {{gang}} has {{count}} inserts; {{most}} fit. Spread them over another gang.',
  'plate-box-shallow': '{{device}} needs a deep box, and this one is shallow. Choose a deep box.',
  'plate-box-misfit': 'The plate has {{gangs}} gangs; its box takes {{room}}. Take a larger box.',
  'plate-open-box':
    'An open bracket is in a wall that wants a closed box ({{place}}, {{wallM}} long). Take a closed one; local code decides.',
  'plate-too-wide-for-bay': 'The box is {{widthM}} wide; the bay is {{clearM}} clear. Move it, or split it.',
  'plate-insert-missing': '{{count}} of the cables that end here have no insert. Add them.',
  'plate-device-gone': '{{count}} of its inserts belong to devices that are gone. Clear them.',
  'plate-apart': '{{device}} is {{awayM}} away from its plate. Move one to the other.',
  'plate-not-lined-up': 'The electrician’s box {{awayM}} beside it is at {{heightM}}: {{offM}} off. Line them up.',
  'climate-twice': '{{room}} has {{count}} thermostats. One for each zone: take one away, or let a remote sensor read for it.',
  'climate-outside-wall':
    '{{device}} is on an outside wall and reads the weather. Move it to an inner wall, or add a remote sensor.',
  'climate-near-vent':
    '{{device}} is {{freeM}} from supply air and reads that; {{needM}} is wanted. Move it, or add a remote sensor.',
  'climate-near-heat': '{{device}} is near something that gives {{heatW}} W of heat. Move it, or add a remote sensor.',
  'climate-sun': '{{device}} is {{freeM}} from a window and may stand in its sun. Move it, or add a remote sensor.',
  'no-rack': '{{count}} devices want cable, and there is no rack. Place one in Survey.',
  'rack-of-several':
    '{{rack}} takes {{count}} runs; each device goes to the nearest of {{racks}} racks until its run says otherwise.',
  'riser-one-level': '{{riser}} begins and ends on one level. Choose another level for its top.',
  'riser-ends-nowhere': '{{riser}} ends where no cavity is on {{level}}. Move it under a room with one.',
  'cavity-no-height': 'The cavity above {{level}} has no height, though {{count}} of its rooms are framed. Measure it.',
  'way-size-unknown': '{{way}} ({{thing}}) takes {{cables}} cables, and its size is not known. Enter its inside diameter.',
  'way-over-full':
    '{{way}} ({{thing}}) is {{full}} % full with {{cables}} cables; {{most}} % is allowed. Use a larger one, or route some cables elsewhere.',
  'way-plug-too-large':
    '{{way}} is {{insideM}} inside, and the plug of {{number}} ({{diagonalM}} across) needs {{leastM}} beside what lies in it. Lay a larger conduit, or pull a lead without its plug.',
  'way-jams': 'Three equal cables may wedge in {{way}} ({{thing}}): it is about three times as wide as one. Use another size.',
  'way-bends-over': '{{way}} bends {{degrees}}° in all; 360° is the maximum between two pull points. Add a pull box.',
  'way-bends': '{{way}} bends {{degrees}}° in all; beyond 180° it needs a pull box.',
  'way-long': '{{way}} is {{lengthM}} long; beyond 30 m it needs a pull box.',
  'way-too-hard':
    'Pulling {{cables}} cables through {{way}} takes {{pullN}} N; {{allowedN}} N is the maximum. Add a pull box, or pull fewer cables.',
  'bundle-too-warm':
    '{{bundle}} has {{count}} cables, {{warm}} of them with power of class 5 and more: they heat each other. 24 is the most; check code tables.',
  'bundle-ampacity': '{{bundle}} has {{hot}} cables with more than 60 W each. Check the ampacity tables of your code.',
  'conduits-missing_one':
    '{{first}} has no conduit for what comes later: attic and outdoors to the head end, a display to its furniture.',
  'conduits-missing_other':
    '{{count}} places have no conduit for what comes later: attics and outdoors to the head end, displays to their furniture. The first is {{first}}.',
  'bore-too-large':
    '{{place}}: {{runs}} would take a hole of {{needM}} in a {{member}}, of which {{mostM}} may be bored ({{count}} places). Route them elsewhere, or ask the engineer. Do not cut joists, trusses, beams or engineered members beyond listed limits; local code governs.',
  'bore-off-span':
    '{{place}}: {{count}} joists are bored at {{share}} % of their span; between 25 and 40 % from the nearer support they may be. Route {{runs}} through that part, or ask the engineer.',
  'bores-close':
    'Two holes in one joist over {{place}} are {{awayM}} apart from middle to middle ({{runs}}); {{needM}} is the least (joists: {{joists}}). Pull both through one hole, or move one line.',
  'eave-no-room':
    'The roof leaves {{heightM}} over the plate that {{runs}} must pass; a drill needs {{needM}}. Lead it to another wall, or open the wall below.',
  'eave-from-below':
    'The roof leaves {{heightM}} over the plate that {{runs}} must pass; a drill needs {{needM}}. Bore it from the open bay below before drywall: nobody reaches it later.',
  'bores-crowded':
    '{{count}} holes for {{cables}} cables in one joist over {{place}} want {{needM}} of its length at their distances; {{freeM}} may be bored there (joists so crowded: {{joists}}). Route some through other bays, or all under the joists.',
  'notch-over':
    '{{place}}, {{member}}: notched {{notchM}} deep, where {{mostM}} may be cut away. Whoever designed the member says how it is made good; local code governs.',
  'notch-too-long':
    '{{place}}, {{member}}: notched {{longM}} along; {{mostM}} is the most that may be. Whoever designed the member says how it is made good; local code governs.',
  'notch-bottom':
    '{{place}}: a joist is notched {{notchM}} from below. Notches may only be in its top. Whoever designed the joist says how it is made good; local code governs.',
  'notch-deep-joist':
    '{{place}}: a joist deeper than 250 mm is notched {{notchM}}. Such joists may not be notched. Whoever designed it says how it is made good; local code governs.',
  'notch-off-span':
    '{{place}}: a joist is notched {{notchM}} outside the part of its span where it may be (0.07 to 0.25 from the nearer support). Whoever designed it says how it is made good; local code governs.',
  'notch-middle-third':
    '{{place}}: a joist is notched {{notchM}} in the middle third of its span, where nothing may be cut. Whoever designed it says how it is made good; local code governs.',
  'notch-engineered':
    '{{place}}: an engineered or steel member, or concrete, is notched. Nothing may be cut there without its engineer: ask for his paper.',
  'notch-mend': '{{place}}, {{member}}: the notch is to be made good as the engineer says, before drywall.',
  'notch-no-member':
    '{{place}}: this notch lies in no stud, joist, plate or stone wall. Move it to the member that is notched, at its height.',
  'bore-engineered':
    '{{place}}: {{count}} engineered joists are bored for {{runs}}. Only at the places that their maker allows: ask for his paper.',
  'bend-box':
    '{{number}}: {{cable}} wants {{needM}} for its bend into the box; the wall gives {{freeM}}. Use a more flexible cable, a deeper box, or a hood on the surface.',
  'bend-corner':
    '{{number}}: {{cable}} wants {{needM}} where it turns from one wall into the next; {{freeM}} is there. Route it over the ceiling, or use a more flexible cable.',
  'bend-plate':
    '{{number}}: {{cable}} wants {{needM}} where it turns over the plate; the hollow over the ceiling is {{freeM}} deep. Use a more flexible cable.',
  'legs-none': '{{device}} has no cable yet. Its type asks for {{missing}}.',
  'legs-missing': '{{device}} lacks {{missing}}. Add it while the walls are open, or change its type.',
  'data-too-long': '{{number}} is {{lengthM}} of {{cable}}; a link may be {{longestM}}. Take fibre, or bring a switch nearer.',
  'data-near-long': '{{number}} is {{lengthM}} of {{cable}}; {{longestM}} is the most. A detour on site would break it.',
  'poe-short':
    '{{number}}: {{device}} of class {{poeClass}} does not get its {{watts}} W over {{lengthM}}. Take thicker cable, or shorten it.',
  'cable-no-power': '{{number}}: {{device}} is powered over category cable, and {{cable}} carries none. Take {{wanted}}.',
  'cable-not-as-type': '{{number}} is {{cable}}; {{device}} takes {{wanted}} for {{purpose}}. One of the two is wrong.',
  'voltage-low-on-chain':
    '{{number}} feeds {{count}} devices one from the next. At {{device}} {{percent}} % of {{supply}} V is lost, {{volts}} V is left; {{most}} is allowed. Choose thicker cable, or run the last ones home.',
  'voltage-low':
    '{{number}}: {{device}} gets {{volts}} V of {{supply}} V over {{lengthM}} of {{cable}}: {{percent}} % is lost, {{most}} may be. Take thicker cable.',
  'picture-too-long':
    '{{number}} is {{lengthM}} of {{cable}}, planned to {{longestM}} at 18 Gb/s. Use an active optical HDMI cable or an extender. Active optical cables have a direction.',
  'coax-lossy':
    '{{number}} loses {{lossDb}} over {{lengthM}} of {{cable}} at {{mhz}} MHz; {{limitDb}} is planned. Take thicker coax, or an amplifier before it.',
  'clad-aluminium':
    '{{number}}: {{cable}} is copper-clad aluminum. It breaks under screws and runs warm: take solid copper for data, power, security and light.',
  'end-unknown': '{{number}} has no connector at {{at}}. Say which, so nobody has to guess after drywall.',
  'end-misfit': '{{number}}: a {{connector}} does not go on {{cable}}. One of the two is wrong.',
  'label-outdated': 'The labels of {{number}}, printed {{on}}, are out of date. Changed since: {{changed}}. Print them again.',
  'label-outdated-pulled':
    '{{number}} is {{state}} with labels of {{on}} that are out of date. Changed since: {{changed}}. Ask the crew: print them again, and relabel both ends.',
  'label-missing': '{{number}} is {{state}} without printed labels. Label both ends before anything else is pulled.',
  'closed-untested':
    '{{number}} was not tested before drywall ({{on}}). Test it now, while it can still be reached from its ends.',
  'closed-unpulled': '{{number}} is only {{state}}, and drywall went up on {{on}}. Find out whether it is in the wall.',
  'gauge-twice': '{{number}} is {{cable}}, but its note says “{{written}}”. One of the two is wrong: decide before it is pulled.',
  'slack-short': '{{number}} leaves {{leftM}} at its device; {{leastM}} is the least to work with.',
  'slack-short-far': '{{number}} leaves {{leftM}} at its far end; {{leastM}} is the least to work with.',
  'service-near':
    'Beside a {{thing}}: {{runs}}, {{parallelM}} long and {{awayM}} away at the nearest; {{keepM}} is to be kept. Route around it, or ask that trade.',
  'flue-near':
    'Near a hot flue: {{runs}}, {{awayM}} away at the nearest; {{keepM}} is the least at any length. Heat ruins the jacket: route around it, and ask the trade of the flue for its own distance.',
  'ground-copper':
    '{{number}} lies {{groundM}} in the ground as {{cable}}; beyond {{longestM}} fibre carries farther and leads no surge into the house.',
  'ground-powered':
    '{{number}} lies {{groundM}} in the ground with power on it; beyond {{longestM}} take fibre, and power its device where it stands.',
  'bond-too-long':
    '{{number}} bonds over {{lengthM}}; {{longestM}} is the most. Move the arresters to the entry. Final sizing: local code and licensed electrician.',
  'height-unusual': '{{device}} stands at {{heightM}}; {{leastM}} to {{mostM}} is usual here. Ask, or move it.',
  'device-in-wet-zone':
    '{{device}} stands in {{zone}}. Bath, pool, spa and outdoor zones follow code, with RCD and IP rating: move it, or let the electrician decide.',
  'camera-private': '{{device}} looks into {{room}}. No cameras in bedrooms and bathrooms; elsewhere consent and signage by law.',
  'mains-missing': '{{device}} takes {{watts}} W from mains, and no outlet is marked there for the electrician. Mark one.',
  'sound-no-way-back':
    '{{device}} gets its video over an active optical cable without an audio return. Confirm eARC, or add a cable for it.',
  'amplifier-load-low':
    '{{number}} feeds a speaker of {{loadOhm}}, and its amplifier takes no less than {{leastOhm}}. Choose another speaker, or an amplifier that is rated for it.',
  'amplifier-under-load':
    '{{number}} feeds {{count}} speakers in parallel: {{loadOhm}}, and {{leastOhm}} is the least. An overloaded amplifier fails: run each one home separately.',
  'speaker-chain-loss':
    '{{number}}: over {{count}} runs, {{lengthM}} in all, {{device}} loses {{lossDb}}, more than the {{limitDb}} allowed. Take thicker cable, or run it home separately.',
  'reused-untested':
    '{{place}} ({{thing}}) is to be re-used, and nobody has tested it. Test and label it before the plan depends on it, or pull new cable.',
  'reused-abandoned': '{{place}} ({{thing}}) is to be abandoned, but {{runs}} uses it. Decide to re-use it, or pull new cable.',
  'reused-undecided':
    '{{place}} ({{thing}}) is used by the plan, and nobody has decided that it is re-used. Test it, then decide.',
  'reused-route-unknown':
    '{{place}} ({{thing}}) carries {{runs}}, and nobody knows where it runs. Trace it with a tone before the walls close, or pull new cable.',
  'reused-weak': '{{place}} ({{thing}}) is to be re-used, but it was found weak. Do not hang anything on it: replace it.',
  'reused-unjudged':
    '{{place}} ({{thing}}) is to be re-used, and nobody has judged whether it is sound. Look at its fixing before anything hangs on it.',
  'neutral-absent':
    '{{device}} needs a neutral, and its box has none. Take one that does without, or have the electrician pull one.',
  'neutral-not-known': 'Whether the box of {{device}} has a neutral is not known. Have the electrician look.',
  'jacket-cord':
    '{{number}} is {{cable}}, a cord: it may not lie in walls, ceilings or floors, nor pass through them. Take a cable that is made for that.',
  'jacket-not-plenum':
    '{{number}} lies {{lengthM}} open in {{space}} as {{cable}}. Where air is moved the jacket has to be one for it (plenum; in Europe the national rule, low smoke), or the cable in metal conduit.',
  'surge-missing_one':
    '{{runs}} comes from outdoors on copper and passes no surge arrester at the entry. It needs its own, bonded. Surge protection does not replace a lightning protection system.',
  'surge-missing_other':
    '{{count}} of {{of}} copper runs from outdoors pass no surge arrester at the entry: {{runs}}. Each needs its own, bonded. Surge protection does not replace a lightning protection system.',
  'arrester-not-bonded':
    '{{device}} has no bonding conductor, so it protects nothing. Lead one to the bar, short and straight; sizing by local code and a licensed electrician.',
  'aerial-not-bonded':
    '{{device}} is not bonded. Give it a bonding bar at the entry; final sizing: local code and licensed electrician. Power lines kill: stay 3 m plus fall length away.',
  'mast-own-bond':
    '{{device}} has no bonding conductor of its own to the bonding bar at the entry. Give it one, as short and straight as it can be; sizing by local code and a licensed electrician.',
  'bar-not-at-electrode':
    '{{device}} is not connected to the grounding electrode of the building. A licensed electrician connects it; local code governs.',
  'rack-no-room': 'Before {{rack}} there are {{freeM}}; {{needM}} is wanted to stand and work.',
  'end-untested': '{{number}} is terminated and not tested since; trim-out was on {{on}}. Test it before handover.',
  'tested-late': '{{number}} was first tested on {{tested}}, after drywall on {{on}}. A fault found then is in a closed wall.',
  'ends-unlabelled_one': 'One end of a pulled cable has no label: {{runs}}. Label it before drywall, with the cable in hand.',
  'ends-unlabelled_other':
    '{{count}} ends of pulled cables have no label: {{runs}}. Label them before drywall, one end at a time, with the cable in hand.',
  'ends-closed-unlabelled_one':
    'One end of a pulled cable had no label when drywall went up on {{on}}: {{runs}}. Tone it out and label it.',
  'ends-closed-unlabelled_other':
    '{{count}} ends of pulled cables had no label when drywall went up on {{on}}: {{runs}}. Tone them out and label them.',
  'run-not-asked': '{{number}}, {{cable}} to {{device}}: nobody asked for it. Write down why it is there, or remove it.',
  'families-mixed':
    '{{name}}: {{devices}} belong to control families that do not work together ({{families}}). Choose one family, or put a gateway between them.',
  'control-missing':
    '{{device}} is controlled by cable, and none of its cables carries commands (by its recipe: {{cables}}). Add one now: later the wall is closed.',
  'stub-off':
    '{{way}} comes up {{awayM}} beside the cavity of its wall; {{toleranceM}} is the tolerance. Move it before the pour.',
  'mains-none-marked_one': '{{devices}} takes mains, and no outlet is marked for the electrician. Mark one now.',
  'mains-none-marked_other':
    '{{count}} devices take mains ({{devices}}), and no outlet is marked for the electrician. Mark them now.',
  'seal-open':
    '{{level}}, {{member}}, {{through}}: not sealed around {{runs}}, and drywall goes up on {{on}}. Usual here: {{family}}. Rated walls and ceilings need a listed firestop system; the inspector approves.',
  'room-not-discussed': '{{room}}: {{count}} topics were not discussed, and the cable goes in on {{on}}. Ask now.',
  'outdoors-not-asked':
    '{{count}} devices stand outdoors, and the brief has no outdoor area. Add the areas (terrace, drive, garden, facades), and ask about each of them.',
  'later-not-prewired':
    '{{room}}: {{topic}} comes in a later phase, and no cable is planned for it; walls are filled on {{on}}. Place it as prepared, or note that it is not pre-wired.',
  'device-not-asked': '{{room}}: {{device}} is planned, but nobody spoke of {{topic}} there. Ask, and write it down.',
  'jackets-alike':
    'At {{device}} the jacket is {{colour}} for {{cables}} alike. Only the labels tell them apart: label before pulling.',
  'jackets-alike-at-rack': 'At {{rack}} the jacket is {{colour}} for {{cables}}. Only the labels tell them apart.',
  'jacket-not-outdoor':
    '{{number}} lies in weather or ground; {{cable}} is not made for that. Take an outdoor jacket, gel-filled where it lies wet.',
  'jacket-not-riser': '{{number}} goes up a riser; {{cable}} is for little use only. Take a riser jacket; local code decides.',
  'jacket-outdoor-inside':
    '{{number}} takes outdoor cable {{insideM}} through the house; unlisted it may go 15 m from where it enters. Change to a listed type there.',
  'screed-cover': '{{way}} has {{coverM}} of topping over it; {{wantedM}} is required. Lay it deeper, or ask for more topping.',
  'screed-crossing': '{{way}} crosses {{other}} at the same height. Route one under the other before the pour.',
  'screed-unsigned': '{{way}} is not signed. Photograph it with a tape and sign it as built before the pour.',
  'screed-moved':
    '{{way}} was signed by {{by}} on {{on}} and has been moved {{awayM}} since. It lies in the floor topping: put it back.',
  'brief-device-missing':
    '{{room}}: {{wanted}} wanted for {{topic}}, {{placed}} placed. Place what is missing, or talk about it again.',
  'optical-no-conduit':
    '{{number}} to {{device}} is {{cable}} and lies in no conduit: when it fails, it cannot be replaced. Lay it in conduit, or write as its reason why not.',
  'brief-channels-missing':
    '{{room}}: the brief asks for {{layout}}, and no speaker is placed for: {{channels}}. Place them, or choose another layout.',
  'brief-threshold-missed':
    '{{room}}: the brief asks for {{asked}} {{unit}} of {{topic}}, the plan reaches {{reached}} {{unit}}.',
  'brief-nothing-wanted': '{{room}}: nothing was to come for {{topic}} on purpose, but {{placed}} is placed.',
  'decision-not-prepared':
    '{{subject}} is open, and {{count}} of the cables that keep its options open are not on the plan. Prepare them while the walls are open.',
  'decision-late': '{{subject}} should have been decided by {{lastSafeOn}} ({{days}} days ago). {{owner}} must decide now.',
  'drawing-late':
    'The cable of {{subject}} still waits for a drawing that was due by {{lastSafeOn}} ({{days}} days ago). Ask for it now.',
  'drawing-soon': 'The cable of {{subject}} waits for a drawing, due by {{lastSafeOn}}, in {{days}} days.',
  'decision-soon': '{{subject}} must be decided by {{lastSafeOn}}, in {{days}} days, by {{owner}}.',
  'channel-beyond-window':
    '{{channel}} lies at {{angleDeg}}° from the reference seat, {{beyondDeg}}° beyond its window of {{fromDeg}}° to {{toDeg}}°. Move it, or accept what it costs.',
  'channel-too-high':
    '{{channel}} lies {{angleDeg}}° up from the reference seat, over its window of {{fromDeg}}° to {{toDeg}}°. Lower it, or aim it at the seats.',
  'channel-too-low':
    '{{channel}} lies at {{angleDeg}}° of elevation from the reference seat, under its window of {{fromDeg}}° to {{toDeg}}°. Raise it.',
  'speaker-behind-thing':
    '{{blocked}} of {{seats}} seats do not see {{channel}}: a {{kind}} is in the way. Move the speaker along, or lower it out of its shadow.',
  'speaker-behind-head':
    '{{blocked}} of {{seats}} seats do not see {{channel}}: heads are in the way. Raise the speaker, or the row behind.',
  'speaker-behind-picture':
    '{{blocked}} of {{seats}} seats do not hear {{channel}} directly: the picture lets no sound through. Place it beside or under the picture, or take a screen with holes.',
  'pair-not-even': '{{channel}} and its twin are {{mirrorErrorM}} from mirroring each other about the middle of the picture.',
  'seat-on-node-along_one':
    'A seat stands at {{sharePercent}} % of the length, where {{hz}} Hz is not heard. Move it off {{nodePercent}} %, or place subwoofers that do not drive this mode.',
  'seat-on-node-along_other':
    '{{count}} seats stand at {{sharePercent}} % of the length, where {{hz}} Hz is not heard. Move them off {{nodePercent}} %, or place subwoofers that do not drive this mode.',
  'seat-on-node-across_one':
    'A seat stands at {{sharePercent}} % of the width, where {{hz}} Hz is not heard. Move it off {{nodePercent}} %, or place subwoofers that do not drive this mode: two that mirror each other.',
  'seat-on-node-across_other':
    '{{count}} seats stand at {{sharePercent}} % of the width, where {{hz}} Hz is not heard. Move them off {{nodePercent}} %, or place subwoofers that do not drive this mode: two that mirror each other.',
  'row-sees-heads':
    'Row {{row}} looks at the heads before it: the bottom of the picture is hidden by {{clearanceM}}. Raise it to {{riseM}}, or raise the picture.',
  'row-clears-little':
    'Row {{row}} clears the heads before it by {{clearanceM}}; {{leastM}} is wanted. Raise it to {{riseM}}, or raise the picture.',
  'row-pitch-short':
    'Row {{row}} stands {{pitchM}} behind the one before it; {{leastM}} is the least to pass, and recliners want about 1.9 m. Move it back.',
  'row-near-wall':
    'Row {{row}} has its heads {{behindM}} before the wall behind it; {{leastM}} is the least for the speakers there and for low notes. Move the rows forward.',
  'row-no-aisle':
    'Beside row {{row}} there is {{aisleM}} at most; an aisle of {{leastM}} is wanted on one side. Shorten or move the row; ways out by local code.',
  'riser-no-steps_one':
    'Row {{row}} stands {{riseM}} up, more than one step. Put {{count}} step before it: equal rises of {{stepM}}, run {{runM}} or more, with a step light on each side. Local code governs.',
  'riser-no-steps_other':
    'Row {{row}} stands {{riseM}} up, more than one step. Put {{count}} steps before it: equal rises of {{stepM}}, run {{runM}} or more, with step lights on each side. Local code governs.',
  'riser-needs-guard': 'Row {{row}} stands {{riseM}} up: its open edges need a guard. Local code governs.',
  'riser-needs-rail': 'Row {{row}} stands {{riseM}} up: four rises or more need a handrail. Local code governs.',
  'riser-low-ceiling':
    'Over the riser of row {{row}} there is {{headM}} of head room; {{leastM}} is the least. Lower the riser, or plan the row elsewhere.',
  'screen-wider-than-wall':
    'The frame of {{frameM}} is wider than its wall of {{wallM}}. Choose a smaller picture or another wall.',
  'screen-side-margin':
    'The frame ends {{sideM}} from the wall beside it; {{leastM}} is the least. Move it to the middle, or choose a smaller picture.',
  'screen-over-ceiling': 'The frame reaches {{overM}} above the ceiling. Lower it, or choose a smaller picture.',
  'screen-low': 'The picture begins {{bottomM}} over the floor; feet and heads want {{leastM}}. Raise it.',
  'screen-behind-furniture':
    'The {{thing}} under the picture leaves {{clearM}} and covers {{overM}} of it; {{leastM}} is wanted free. Raise the picture, or choose lower furniture.',
  'front-panel-shallow':
    'It is {{depthM}} deep and the panels before it stand {{standOffM}} off the wall; {{airM}} of air is wanted. Bring the panels forward, or choose a slimmer speaker.',
  'front-panel-heavy_one':
    'The panel before the front wall weighs {{kg}} kg; one person takes off {{mostKg}} kg. Use lighter boards, or split it.',
  'front-panel-heavy_other':
    'Each of the {{count}} panels before the front wall weighs {{kg}} kg; one person takes off {{mostKg}} kg. Use lighter boards, or narrower panels.',
  'front-panel-door':
    'Panels stand before this door. Hinge the panel there so that the door opens, finish both of its faces, and never block a way out: local code governs.',
  'front-panel-window':
    'Panels stand before this window: their backs are seen from outside. Finish both faces, and keep the panel there removable.',
  'front-lead-behind-picture':
    'The lead of this speaker comes out {{beyondM}} beyond the edge of the picture; {{withinM}} is wanted, so that it stays behind the cabinet and out of the picture. Move the speaker outward.',
  'projector-half-on-joist_one':
    'Its plate lies half on a joist, {{joistM}} off the middle. Only screws in the joist bear: {{count}} lag screw of 1/4 in with 2 in of thread for {{requiredN}} N, or move it, or put blocking between the joists. Drywall anchors bear nothing overhead.',
  'projector-half-on-joist_other':
    'Its plate lies half on a joist, {{joistM}} off the middle. Only screws in the joist bear: {{count}} lag screws of 1/4 in with 2 in of thread for {{requiredN}} N, or move it, or put blocking between the joists. Drywall anchors bear nothing overhead.',
  'projector-no-air': 'There is {{rearM}} behind the projector; {{leastM}} is wanted for its air and plugs. Move it forward.',
  'surrounds-wide-no-reason':
    'Surround speakers are set to wide dispersion without a reason. Direct ones serve most layouts; write down why these places cannot take them.',
  'surrounds-wide-with-tops':
    'Surround speakers are set to wide dispersion in a {{layout}} layout. With overhead channels direct ones are usual; write down why these places cannot take them.',
  'ports-short':
    '{{rack}} has {{there}} {{portKind}} ports for {{needed}}; {{wanted}} are wanted with a quarter spare. Add a panel or the next size.',
  'ports-no-spare': '{{rack}} has {{there}} {{portKind}} ports for {{needed}}; {{wanted}} are wanted with a quarter spare.',
  'port-taken-twice': '{{equipment}}, {{port}}: two things claim this port. Move one of them.',
  'run-on-no-port': 'It ends on no port of {{rack}}, and there is one free. Connect what is open in Head end.',
  'switch-port-weak':
    'The port of {{equipment}} feeds a lower class than this device needs. Patch it to a port of its class, or take another switch.',
  'switch-power-over':
    '{{equipment}} would feed {{needW}} W; its budget is {{budgetW}} W. Take the next size, or a second switch.',
  'switch-power-near':
    '{{equipment}} would feed {{needW}} W; with {{budgetW}} W of budget {{plannedMostW}} W are planned. Take the next size, or a second switch.',
  'panel-below-cable': 'It ends on {{equipment}}, which is of a lower category than its cable. Take a panel of its category.',
  'equipment-overlaps': '{{equipment}} and {{other}} stand in one place in {{rack}}. Move one, or arrange all.',
  'equipment-beyond': '{{equipment}} reaches beyond {{rack}}. Move it, or take a larger one.',
  'equipment-too-deep':
    '{{equipment}} needs {{neededM}} with its plugs; {{rack}} is {{depthM}} deep. Take a deeper one, or hang it elsewhere.',
  'equipment-not-placed': '{{equipment}} has no place in {{rack}} yet. Drag it there, or arrange all.',
  'heavy-high':
    '{{equipment}} weighs {{kg}} kg and stands at unit {{unit}}, in the upper half. Put it low: a rack that is heavy at the top tips.',
  'rack-heavy':
    'What stands in {{rack}} weighs {{kg}} kg; {{mostKg}} kg is the most that is planned. Spread it over two, and ask what the floor bears.',
  'enclosure-too-hot': '{{equipment}} gives off {{heatW}} W; an enclosure lets out 30 W. Put it outside, or take a rack.',
  'closet-too-hot':
    'With {{heatW}} W the room of {{rack}} gets {{rise}} K warmer than its surroundings; {{mostRise}} K is the most. Move {{litres}} L/s of air, or cool it; never through a fire-rated wall without a listed damper.',
  'sink-no-lead':
    '{{source}} does not reach {{sink}}: no lead goes from it to a head end. Plan one, or give it a source of its own.',
  'sink-not-terminated': '{{source}} does not reach {{sink}}: its run {{number}} ends on no port. Connect it.',
  'sink-no-cord': '{{source}} does not reach {{sink}}: no cord is on {{equipment}} {{port}}, where its run {{number}} ends.',
  'sink-source-open': '{{source}} reaches nothing: no cord is on its outputs. Plug it into the matrix, receiver or amplifier.',
  'sink-input-open': '{{source}} does not reach {{sink}}: no cord is on the input of {{equipment}} that drives {{number}}.',
  'sink-other-head-end':
    '{{source}} does not reach {{sink}}: its run {{number}} ends at another head end, and no link between the two carries it.',
  'sink-no-way': '{{source}} does not reach {{sink}}: the cords lead on from {{equipment}} {{port}}, but not to it.',
  'rf-loop': 'The cords of {{equipment}} lead its signal back to itself. Take out the cord that closes the circle.',
  'rf-overdriven': '{{equipment}} would give out more of {{signal}} than 105 dBµV. Put a pad before it, or lower its gain.',
  'rf-too-hot':
    '{{signal}} is too strong at {{number}}: {{level}} dBµV of {{most}} at most. Pad it, or move it behind another splitter.',
  'rf-too-cold':
    '{{signal}} is too weak at {{number}}: {{level}} dBµV of {{least}} at least. Amplify before the splitters, or split less before it.',
  'rf-no-signal': 'No signal reaches the coax outlet {{number}}. Patch it to a splitter.',
  'coax-open_one': '{{count}} output of {{equipment}} is open ({{ports}}). Close it with 75 ohm.',
  'coax-open_other': '{{count}} outputs of {{equipment}} are open ({{ports}}). Close them with 75 ohm.',
  'scene-no-trigger': 'The scene {{scene}} has no button or sensor that sets it off. Choose one.',
  'scene-gone': 'The scene {{scene}} acts on a device that is no longer there. Take it out of the scene.',
  'scene-no-path': 'In the scene {{scene}} no command reaches {{device}}. Give it a control cable, and a port for it.',
  'scene-empty': 'The scene {{scene}} acts on nothing yet. Add what it does.',
  'exhaust-pierces':
    'The exhaust of the closet of {{rack}} pierces a fire separation without a listed damper. Take another way out, or have a listed damper fitted; the inspector approves it.',
  'exhaust-unknown':
    'It is not known whether the exhaust of the closet of {{rack}} pierces a fire separation. Look at the plans, or ask the inspector.',
  'loop-over':
    'The loop {{number}} has {{loopOhm}} ohm of {{mostOhm}} at most without its resistor. Take a thicker cable, or split the loop.',
  'alarm-battery-short':
    '{{equipment}} must hold {{hours}} h on its battery: that takes {{neededAh}} Ah, it has {{batteryAh}} Ah.',
  'circuit-over':
    'Circuit {{circuit}} would carry {{va}} VA for hours; {{mostVa}} VA is the most. A licensed electrician adds a dedicated circuit.',
  'strip-outlets-short': '{{equipment}} has {{there}} outlets for {{plugs}} plugs. Add a strip.',
  'amplifier-on-ups': '{{equipment}} hangs on a UPS. Amplifiers drain it in minutes: plug it into a strip.',
  'ups-over': '{{equipment}} carries {{loadW}} W; a quarter must be left of its {{ratedW}} W. Take the next size, or less load.',
  'ups-short':
    '{{equipment}} holds {{loadW}} W for {{holds}} min; {{least}} min are wanted. Shed loads earlier, or take a larger battery.',
  'channel-load-low':
    '{{equipment}}, {{port}}: the load is {{loadOhm}}, its least is {{leastOhm}}. It overheats: never run it so. Put speakers in series, or on channels of their own.',
  'supply-output-over':
    '{{equipment}}, {{port}}: {{watts}} W on an output of {{wattsEach}} W. Split it, or take a larger supply.',
  'recorder-short_one': 'The recorder of {{rack}} has {{channels}} channels for {{count}} camera. Take the next size.',
  'recorder-short_other': 'The recorder of {{rack}} has {{channels}} channels for {{count}} cameras. Take the next size.',
  'recorder-days-short_one':
    '{{count}} camera fills the recorder of {{rack}} in {{days}} days; {{wantedDays}} are wanted. Add disk.',
  'recorder-days-short_other':
    '{{count}} cameras fill the recorder of {{rack}} in {{days}} days; {{wantedDays}} are wanted. Add disk.',
  'picture-top-high':
    'The reference seat looks {{angleDeg}}° up to the top of the picture; up to {{mostDeg}}° is comfortable. Lower it, or sit farther back.',
  'picture-high':
    'The reference seat looks {{angleDeg}}° up to the middle of the display; up to {{mostDeg}}° is comfortable. Lower or tilt it. Over a fireplace keep to the makers of both: heat.',
  'picture-top-first-row':
    'The first row looks {{angleDeg}}° up to the top of the picture; {{mostDeg}}° is the most. Move it back, or lower the picture.',
  'throw-too-short': 'The lens is {{throwM}} from the screen; it fills it from {{nearM}} to {{farM}}. Move it back.',
  'throw-too-long': 'The lens is {{throwM}} from the screen; it fills it from {{nearM}} to {{farM}}. Move it toward the screen.',
  'throw-near-end':
    'The lens is {{throwM}} from the screen, at the end of its zoom ({{nearM}} to {{farM}}). Keep a twentieth of the range free.',
  'throw-by-maker': 'An ultra-short-throw projector {{throwM}} from the screen: place it by the table of its maker alone.',
  'lens-shift-over':
    'The lens would shift {{upPercent}} % up and {{asidePercent}} % aside: {{usedPercent}} % of what it can. Hang it lower or nearer to the middle line; keystone correction costs light and sharpness.',
  'picture-dim':
    'White is {{cdM2}} cd/m² ({{footLamberts}} fL); {{wantedCdM2}} are wanted. A projector of {{neededLm}} lm, a smaller picture or more gain would do.',
  'picture-washed-out':
    'With the light that is on, white is only {{contrast}} times as bright as black; {{leastContrast}} is the least. Darken the room, or light it away from the screen.',
  'signed-not-discussed': '{{room}} is signed, but {{count}} of its topics were not discussed. Ask, and have it signed again.',
} as const;

/** Words on the buttons of cures. */
export const cures = {
  'prepare-decision': 'Prepare {{count}} cables on the plan',
  'decide-reuse': 'Decide that {{place}} is re-used',
  'add-bond': 'Give it its own bonding conductor',
  'add-electrode': 'Place the building electrode beside the rack',
  'not-pre-wired': 'Note that {{topic}} is not pre-wired',
  'usual-ends': 'Take {{device}} and {{far}}',
  'back-to-issued': 'Take it back to issued',
  'usual-slack': 'Leave the usual',
  'usual-height': 'Move it to {{toM}}',
  'raise-row': 'Put the row on a riser of {{riseM}}',
  'add-steps': 'Add steps beside the row',
  'mark-outlets_one': 'Mark an outlet for the electrician',
  'mark-outlets_other': 'Mark {{count}} outlets for the electrician',
  'mark-outlet': 'Mark one for the electrician',
  'home-by-itself_one': 'Run {{count}} home separately',
  'home-by-itself_other': 'Run {{count}} home separately',
  'extend-arresters_one': 'Add an arrester for {{count}} run to those that are there',
  'extend-arresters_other': 'Add arresters for {{count}} runs to those that are there',
  'add-arresters': 'Put arresters and their bar beside the rack',
  'add-bonding-bar': 'Put a bonding bar beside the rack',
  'turn-rack': 'Turn it around',
  'lift-rule': 'Remove the rule',
  'lead-away': 'Route around them',
  'add-legs_one': 'Add the cable',
  'add-legs_other': 'Add {{count}} cables',
  'open-riser': 'Add a riser',
  'open-channel': 'Install {{madeM}} of surface raceway',
  'open-channel-home': 'Install {{madeM}} of surface raceway all the way, through doorways',
  'open-open-wall': 'Open the wall, {{madeM}}',
  'open-leave-to-cut': 'Get leave to cut, and plan it as any finished house',
  'open-lowered-ceiling': 'Hang a ceiling under the concrete',
  'open-duct': 'Bury {{madeM}} of conduit',
  'open-move-rack': 'Move the rack {{madeM}} to a wall',
  'open-rack-ceiling': 'Enter the rack from the ceiling, {{madeM}} of drop',
  'open-rack-floor': 'Enter the rack from the floor',
  'open-rack-sleeve': 'Enter the rack by a sleeve of {{madeM}} along the floor',
  'open-move-device': 'Move it {{madeM}}',
  'remove-riser': 'Remove it',
  'give-cavity': 'Assume {{depthM}}',
  'larger-conduit': 'Take: {{name}}',
  'add-conduits_one': 'Add the conduit',
  'add-conduits_other': 'Add {{count}} conduits',
  'split-bundle': 'Put {{count}} of them into {{bundle}}',
  'back-as-signed': 'Put it back as signed',
  'use-cable': 'Take: {{name}}',
  'connect-open': 'Connect what is open',
  'close-with-75-ohm': 'Close {{count}} with 75 ohm',
  'use-gauge': 'Use {{gaugeAwg}} AWG',
  'keep-built': 'Keep as built',
  'move-back': 'Move the device back',
  'pull-again': 'Pull again to the plan',
  'fit-opening': 'Move or narrow it to {{widthM}}',
  'move-to-place': 'Move it {{shiftM}}',
  'move-pair': 'Move it and {{twin}}, {{shiftM}} each',
  'add-blocking': 'Add blocking for {{requiredN}} N',
  'use-mount': 'Take: {{name}}',
  'drop-map': 'Remove the map',
  'plate-divide': 'Set a divider',
  'plate-close-box': 'Take a closed box',
  'plate-deeper-box': 'Use a deep box',
  'plate-larger-box': 'Take a larger box',
  'plate-clear': 'Clear them',
  'plate-fill': 'Add the missing inserts',
  'plate-line-up': 'Line it up',
  'add-far-device': 'Add below it: {{name}}',
  'add-remote-sensor': 'Add a remote sensor',
  'brief-want': 'Record it as wanted',
  'make-good': 'Have it made good as its engineer says',
  'hang-ceiling': 'Hang a ceiling in {{place}}: cables lie under the joists',
  'take-signature-back': 'Withdraw the signature until it is discussed',
  'lift-level': 'Raise {{name}} to {{elevationM}}',
} as const;
