/** A part of a page: what to do, step by step, or what to know. */
export interface GuideSection {
  readonly title: string;
  readonly text?: string;
  readonly steps?: readonly string[];
}

/** A page of the guide; `stage` is the part of the app that opens it, `picture` a file of docs/screenshots. */
export interface GuidePage {
  readonly id: string;
  readonly title: string;
  readonly lead: string;
  readonly stages: readonly string[];
  readonly picture?: string;
  readonly sections: readonly GuideSection[];
}

/** The guide, one source for the app and for docs/guide. */
export const guidePages: readonly GuidePage[] = [
  {
    id: 'first-house',
    title: 'A flat in ten minutes',
    lead: 'From nothing to a checked schedule, labels and a plan on paper: a flat of 10 x 8 m with five rooms.',
    stages: [],
    picture: 'plan-devices.png',
    sections: [
      {
        title: 'Make the project',
        steps: [
          'Projects: press New project, type its name, choose the region of the code. The region sets what may be bored, how far cable keeps from mains, the currency and the paper.',
          'Create opens Survey.',
        ],
      },
      {
        title: 'Draw the walls',
        steps: [
          'Press W and click the first corner.',
          'Type 10x8 and Enter: four walls, 10 by 8 m inside. Or go round: type 10 and press the right arrow, 8 and the up arrow, 10 and the left arrow, then C to close.',
          'A partition: point at the wall where it begins, type its distance from the corner and Enter; type its length and press the arrow. It ends by itself in the wall across.',
        ],
      },
      {
        title: 'Doors, windows, rooms',
        steps: [
          'Press O and click where each door goes; O again for windows. To place one exactly, point at the wall and type the distance from the corner, then Enter.',
          'Press V, double click a room and type its name.',
        ],
      },
      {
        title: 'Rack and devices',
        steps: [
          'Devices: choose Rack and click near a wall; it stands with its back to it.',
          'Choose a type and click once for each device: the palette keeps the type until Escape. What cannot be built where you point is moved aside, and says why; Alt places it anyway.',
          'Every device gets its runs at once. If you place the rack last, they come then.',
        ],
      },
      {
        title: 'Check and print',
        steps: [
          'Press the number of errors or warnings in the head. A fix is shown on the plan while you point at it, and made by a click; Fix all does all of a kind.',
          'Export: schedule, label sheet, plan to scale.',
        ],
      },
    ],
  },
  {
    id: 'brief',
    title: 'Brief',
    lead: 'What the client wants, room by room and outdoors, and what is still undecided.',
    stages: ['brief'],
    picture: 'brief.png',
    sections: [
      {
        title: 'Answer by keys',
        text: 'Choose a cell of the matrix. One letter answers it and goes on: W wanted, N not required, and so on as the card shows; a digit says how many. X takes an answer back.',
      },
      {
        title: 'Sign a room',
        text: 'A room can be signed when every topic was discussed. Fill the rest marks what was not asked as not required, in one step.',
      },
      {
        title: 'Decisions and phases',
        text: 'A decision names its options and the gate that closes it. Prepare puts the cables that keep every option open on the plan: numbered, routed and priced. When it is decided, what the option does not need is removed, or stored where it is pulled already. What belongs to a later phase is cabled now, unless its card says otherwise.',
      },
      {
        title: 'Brief and plan',
        text: 'Devices on the plan that the brief does not know of stand in its table as dashed figures: take one into the brief in its card, or all of them above the table. What the brief wants and the plan has not stands at the head of the palette in Devices.',
      },
      {
        title: 'Outdoors',
        text: 'Add terrace, drive, garden and facades below the matrix: each area has the topics of a room and those of the site (heating, car charging, generator, solar), and is walked and signed as a room is. Its outline is drawn in Survey; a device belongs to the area in which it stands or to the nearest one, and its panel says which.',
      },
      {
        title: 'Surround and packages',
        text: 'Surround is asked for by its layout (5.1, 7.1.4) and compared channel by channel in its card. The lines of a builder’s package are compared by part: cable, box, plate, device, power; each line says who supplies, fits and programs. The missing list is printed and signed; a signed list is never changed, and what was added or settled since is said beside it.',
      },
      {
        title: 'Signatures',
        text: 'A room is signed when every topic has an answer. A change after that asks first, withdraws the signature and keeps it in the history. A second person can be asked to sign.',
      },
      {
        title: 'The walk',
        text: 'Room by room and outdoors, device by device: there, missing or different. What nobody asked for before is added by one tap, with its cables. The first walk and the last one before the walls close are kept apart and compared.',
      },
    ],
  },
  {
    id: 'survey',
    title: 'Survey',
    lead: 'The house as it is: walls, openings, things in the way, heights, and what is not known yet.',
    stages: ['survey'],
    picture: 'survey.png',
    sections: [
      {
        title: 'Lengths',
        text: 'Inside means between the faces of walls, as a tape measures; Centerline means between their middles. 3.2, 3.2 m, 320 cm and 10\' 6" are all read.',
        steps: [
          'A length and an arrow key: in that direction.',
          'A length and Enter: towards the pointer. 3<45 and Enter: at an angle.',
          'Angles go in steps of 15°; L frees them, Shift for one wall.',
        ],
      },
      {
        title: 'Defaults of a level',
        text: 'With nothing selected the panel shows the level: its heights, the joists of its rooms and its usual wall. Rooms that are still as the level says follow a change; what was measured stays. Select several rooms or walls with Shift to change them together.',
      },
      {
        title: 'A plan picture or drawing',
        text: 'Add a picture, PDF or drawing below the level. Type the scale that the sheet states (1:50), or set it by two points and a length, and check it by a second length: clicks lie on the picture itself, with a magnifier, and on the ends of lines where it has lines. Turn it by any angle, mirror it, or show a part of it. A DXF drawing shows which layers were off or frozen, what speaks for its unit, and what was left out; its words name the rooms, its dimensions are held to its unit as a second measurement, and its walls are found on their own layer or among everything on one. A later issue of the plan is held to the house: the dialog tells the walls, openings and rooms that differ and the devices and runs they touch, to be taken one by one. A table (CSV, XLSX) brings in rooms or walls, devices, equipment or measured lengths: choose what it lists and what each column holds. Rooms stand beside the plan until they are moved together; devices are placed by rooms or by x and y, each with its runs; rows that cannot be imported are listed by line, field and reason.',
      },
      {
        title: 'Walk the house',
        text: 'Walk asks for one value at a time that a later stage needs. Measured, assumed and not known are kept apart.',
      },
      {
        title: 'Deleting a wall',
        text: 'A wall between two rooms joins them. What else changes (rooms, numbers, runs without a route) is shown before it is made.',
      },
    ],
  },
  {
    id: 'devices',
    title: 'Devices',
    lead: 'What goes where, at which height, on which bracket.',
    stages: ['devices'],
    picture: 'plan-devices.png',
    sections: [
      {
        title: 'Places',
        text: 'A device in a room is measured from the nearest walls, one outdoors from the corner along its wall. Type a distance, drag it, or move it by the arrow keys (Shift: ten times as far).',
      },
      {
        title: 'Several at once',
        text: 'Shift selects more of a kind, Shift and a drag a box, Shift and Alt and a drag a free line; Ctrl A takes all of the level. In the schedule Shift selects from row to row, Ctrl one more, and a link all that the filters show. The panel shows what they share and changes all of them as one step.',
      },
      {
        title: 'Copies',
        steps: [
          'Ctrl C and Ctrl V, or Copy in the panel: each click sets the copies down, with their heights, finishes and cables, and with numbers of their own.',
          'Copy the devices of a room, in the panel of one of them: each click on another room gives it the same at the same share of its walls.',
          'Ctrl Shift V sets copies down at the same places of another level. Survey, the panel of a level: Copy this level, with its devices or without.',
        ],
      },
      {
        title: 'Cables of a device',
        text: 'Add a cable in its panel, or in the panel of several, gives one more run home: the button and the cable. The cables of its type are ticked one by one; one that is taken away is not asked for again. Another type keeps place, number and issued runs.',
        steps: [
          'In the panel of a run: where it ends (a head end, or any device of any level), its bundle, why it is there and its flat price.',
          'Two speakers selected: one four-conductor cable with a jumper, or two home runs. Labels say which conductors go on.',
          'A conduit is a cable of its own kind: laid from a display to its furniture, or home, with a pull string inside.',
        ],
      },
      {
        title: 'What exists already',
        text: 'Cable that is found is drawn in Survey with its test and its route, known or not, and becomes a run there or in the panel of a run: nothing is pulled or ordered for it. A device can use a found bracket, box or speaker. Untested wiring that is used is a warning.',
      },
      {
        title: 'A theatre',
        text: 'Theatre view, under the level at the left, opens a room with its picture, seats and speakers; the layout sheet there prints it to scale. Draw rows of seats, sofas and beams in Survey first: without seats nothing can be judged.',
        steps: [
          'Choose the layout by its channels, and which windows of angles hold. Drag seats, picture, projector and speakers on any view, or move them by the arrow keys (Shift: ten times as far); Seats and Picture have the same as typed figures.',
          'Click a seat to see and hear from it. What lies beyond its window is dashed; a dashed red line is a speaker that the seat does not see.',
          'Fixed, in the list of speakers: what is there already and stays. Design layout puts the others on bays and between joists; it shows what changes, what the score gains and why places are refused, before anything is made.',
          'Seats: say who watches together and how often; seats count by it, and a typed weight holds. Aim and room: keep the furniture that stands as a mode, and switch film night and games above the views; front wall, panels, columns, kind of surrounds, doors and windows behind drapes.',
          'Picture: how the projector hangs, half on a joist or between joists, and the air that it wants.',
          'Subwoofers: the map, the level at every seat, and the most even places for one to four.',
          'A warning that the client lives with: Note as compromise in the brief.',
          'Trim-out: delays and levels as they are set and measured, against what was worked out.',
        ],
      },
      {
        title: 'On its wall or ceiling',
        text: 'See it on its wall shows the wall square on, with studs and other devices; boxes, plates and blocking are placed there.',
      },
    ],
  },
  {
    id: 'cabling',
    title: 'Cabling',
    lead: 'The route, the length and the cable of every run.',
    stages: ['cabling'],
    picture: 'plan-cabling.png',
    sections: [
      {
        title: 'A run',
        text: 'Its panel has the length in parts, the holes on the way, other routes with their cost, the cable and the slack. An issued run keeps its number, route and length, whatever is drawn afterwards; the difference is shown.',
      },
      {
        title: 'Pathways',
        text: 'Holes, conduits, bundles, penetrations and supports in lists. Runs of a new project share the main routes of the house. Tidy routes proposes one set of holes for many runs, with holes, pulls, cable and hours before and after.',
      },
      {
        title: 'Labels',
        text: 'A label that was printed and no longer says what is so is out of date: the list says it, and a warning. Marked as printed is what the printer took, or what you say was printed from a file. Ends of pulled cables that have no label yet are listed; before drywall none may be without.',
      },
      {
        title: 'On paper',
        text: 'Export, Plan to scale: numbers and heights stand beside the marks, rooms and house are dimensioned, the key says what the marks mean, and the pages behind list every device with its place from the walls and its runs. Firm, client, address and north are asked there and kept.',
      },
      {
        title: 'Without a connection',
        text: 'Projects that were opened on a device open there without a connection, and edits wait until there is one. The schedule and labels as CSV, and label sheets as a drawing, are then made on the device.',
      },
    ],
  },
  {
    id: 'head-end',
    title: 'Head end',
    lead: 'Where every run ends: enclosures, racks, ports, levels, power and heat.',
    stages: ['head-end'],
    picture: 'head-end.png',
    sections: [
      {
        title: 'Head ends',
        text: 'Rack, enclosure, panel, audio rack or equipment in furniture: each system, or each family of cable, has its head end by rule, in Head end. A change shows which runs move and what it costs before it is made; issued runs stay. One that stands free is entered from the ceiling, the floor or by a sleeve, and its last meters count.',
      },
      {
        title: 'The equipment of a head end',
        text: 'Head end shows each enclosure or rack with what ends there. Generic equipment is chosen by itself, with a quarter of the ports spare; what a size costs against a rack is said with the reason. Results are planning aids: a licensed electrician adds circuits.',
        steps: [
          'Design this head end: adds what is missing, places it, plugs it in, terminates and patches every run. What is locked stays where it is; one undo takes all of it back.',
          'Drag equipment, or move it by the arrow keys; the fields of the chosen piece say the same in figures, with what it is plugged into and when it is switched off on battery.',
          'Ports: every run with its port and cord. Choose another port: the run that is there changes places with it. Map shows the cords, and takes a run that is dragged. A new run takes a port and a cord by itself; a run that goes takes its cord along. What is short is said with the next size and its price.',
          'A drop that waits for the device of its owner stays unpatched: book a return visit.',
          'Zones: what plays the same, with its channels, loads, power, cable loss and inputs. A speaker block joins speakers on one channel; a bridged amplifier sees half the load in each half.',
          'Signals: every source against every display and zone, with the way port by port, or the lead that is missing. A room can have a system of its own: a cabinet at its display with a receiver, or a sound bar beside the speakers of the house.',
          'Coax: each signal with its levels, as promised and as read on site, through cables, splitters, taps and amplifiers to every outlet. One press chooses splitters, amplifier and pads that bring all outlets into their window. For an antenna or dish: where it looks, what stands in its way, and its bonding to the electrode.',
          'Alarm: terminals, end-of-line resistors, single or double, and what a meter reads at rest, tripped, shorted and cut; the battery; the test list. Contacts at openings share a zone, four at most, where zones run short or you put them together.',
          'Control: how each device gets its commands, and scenes: what one button, sensor or sunset sets off.',
          'Room: the walls with what stands and hangs there, the opening for the framer, sleeves by family of cable, the closet with the way out of its air, and one head end compared with several.',
          'Power: PoE, circuits, outlets, UPS, supplies and the recorder against what they can. What stops: choose one thing and see what fails without it.',
          'At commissioning, Ports › Compare a switch with the plan reads the switch over the instrument bridge and says port by port what differs.',
          'Head-end pack (PDF): elevations to scale with the label strip, patch schedule, cords to make in the shop, zone table, signal paths, levels, alarm, control and scenes, power and heat, sleeves.',
        ],
      },
    ],
  },
  {
    id: 'order',
    title: 'Order',
    lead: 'What to buy and what is cut from which spool, the offer to the client, dates, goods and changes.',
    stages: ['order'],
    picture: 'order.png',
    sections: [
      {
        title: 'Spools',
        text: 'Every routed run that is not cut yet is on one spool, never spliced. Cables that are pulled together need as many spools at once. Spools of the store are used up first; what is bought costs as little as possible, or is as few spools as possible. Beside the price stands how far it can be from the least that any plan must cost. Results are planning aids: check stock and prices before ordering.',
        steps: [
          'Spools last with (%): how certain a spool lasts for its cuts. At 100 % every run is at its longest.',
          'Each spool is a ring with its cuts and what is left; below it, how much longer one run may be, and where the last cut comes from beyond that. A remainder too short to keep is red.',
          'Pulls: many cables first, then far ones, with the spools that each sets up and what is left after it; above them what to bring to each level.',
          'Stock and sizes: spools that are there, also from earlier jobs, and the sizes that can be bought with their prices and lead times. A cable without a size comes on its usual spool.',
          'Bill of materials: everything part by part, in whole hundredths, with what goes lost of its kind. A line that is chosen names the runs, devices and equipment that it is there for. Saved as CSV; lines without a price are counted, not guessed.',
          'Leads with plugs, as for pictures, are bought in the next length that is made.',
        ],
      },
      {
        title: 'Prices and the offer',
        text: 'Price lists come in as CSV or XLSX, or are typed. The lowest price that is valid today is taken; without one, that of the device library. The offer adds margin to materials, asks the rate for every person-hour, and takes flat prices for outlets, windows or single runs. Cost, price and tax are whole cents and rounded on each line, so that the sum of the lines is the total. Labor is an estimate within ±40 %.',
        steps: [
          'Price lists: Import CSV or XLSX, choose what each column holds (remembered for the firm, for tables with the same header), and import the good rows; each row that cannot be imported is listed with its line, field and reason.',
          'Offer: the sums by part, system, room, phase or supplier. Choose any line to read how its price came about and which runs, devices and equipment it is there for.',
          'Options side by side: without a system, a room or a phase, or with other devices; each with its total and its difference.',
          'One more now, and after drywall: what each kind of place costs while the walls are open, and later.',
          'Site tasks: allowances for what is not known behind finished walls, protection, patching and hired access; who could do each, with price, days and risk side by side.',
          'Rate cards: save the rates agreed with a builder or trade, and price the offer at them with one press.',
          'A new house on the plan of another (Projects) is built as the whole plan or as an option of the offer, with its price.',
          'A client who is invited sees the offer that the server made; costs, margin and price lists never reach the client’s page.',
          'Offer as PDF: what each system costs, what is fitted, the choices and the terms, without any cost of the firm.',
        ],
      },
      {
        title: 'Dates and goods in',
        text: 'Every drawing, hole, bracket, run, penetration, device and task has the gate that it must meet, in its room. Days count as working days, back from the gate, both ends in.',
        steps: [
          'Dates: give the gates their days in the table; a room with a day of its own is added below. The bar below a gate is our own work for two persons, from the day on which it must begin.',
          'What missed its gate is listed with the trades to call back and, once the walls are closed, what it costs.',
          'Order by: on site on the first day of the work, less the lead time. Save calendar gives all of it to a calendar program.',
          'Permits: the authority, the work that waits for it, and the working days until it is granted give the last day to apply; work that would begin without its permit is late.',
          'Goods in: one click orders what is open; each delivery carries its days, where it is, what is damaged, serial numbers, conditions, and who builds it in the shop.',
        ],
      },
      {
        title: 'Baselines and change orders',
        text: 'Lock the scope when the client signs: a baseline is never changed. A change order is the difference of two baselines, with the lines and runs that change, the price with tax, the gate at which it came, and the signature; nothing of it is typed.',
      },
      {
        title: 'Drawing set and open formats',
        text: 'Export in Devices or Cabling makes one PDF with cover, index, plans by level and system, ceilings, wall elevations, riser diagram, holes, conduits, theatres, head ends, schedules, pull sheet, labels, calculations and safety, on A4 to A1, letter, tabloid or arch D. Choose for whom, and only those sheets are in it.',
        steps: [
          'For other programs: the plan as DXF in true size with layers by system and a block for each kind of device, as SVG or PNG; a wire list; dates; a workbook with types, filters and totals.',
          'Everything with a manifest: one ZIP with all of it and the project itself; the manifest has the size and SHA-256 of each file and the revision that all were made from.',
        ],
      },
    ],
  },
  {
    id: 'checks',
    title: 'Checks',
    lead: 'Errors, warnings, and what to do about them.',
    stages: ['inspect'],
    picture: 'checks.png',
    sections: [
      {
        title: 'Fix, accept or give away',
        text: 'A finding is fixed by one of its cures, accepted until a day with a name and a reason, or given to somebody. Rules and their limits are set for the project or the firm; a safety rule is lowered only with a reason.',
      },
      {
        title: 'Calculators and reference',
        text: 'Every figure has its formula, its source and a worked example. They work without a connection.',
      },
    ],
  },
  {
    id: 'site',
    title: 'On site',
    lead: 'Issue, label, pull, terminate, test, hand over.',
    stages: ['pre-wire', 'trim-out', 'handover'],
    picture: 'pre-wire-phone.png',
    sections: [
      {
        title: 'Before you begin',
        text: 'Eye protection, power off, nobody alone on a ladder or in an attic. Mains work belongs to a licensed electrician. Results are planning aids; local code decides.',
      },
      {
        title: 'Pre-wire',
        steps: [
          'Issue the runs: one, a bundle, or all drafted runs.',
          'Print the labels. They go on before the pull or after it, as your firm does; Numbers and labels says which ends have none yet.',
          'Mark each run as pulled; the bar says how far the house is.',
          'Pull shows one pull at a time as two people call it: which spools to set up, each cable with its cut and the slack to leave at both ends. Type the length marks printed on the cable at both ends (rising or falling; a counter that turns over is noticed), or the length, or nothing; the length comes off the spool, a spool that has too little refuses it, and a length outside the planned range asks for its reason.',
          'Close of day lists the ends without a label, what is not tested, ends to bag and cap, open jumpers and open penetrations: it must be empty before anyone leaves.',
          'Test every pulled cable before drywall and write the day in its panel; test it again after termination.',
        ],
      },
      {
        title: 'Scan a label',
        text: 'The code on a label opens its run, also without a connection, in houses that were opened on this device.',
      },
    ],
  },
  {
    id: 'keys',
    title: 'Keys',
    lead: 'Everything that is done often has a key.',
    stages: [],
    sections: [
      {
        title: 'Everywhere',
        steps: [
          'Ctrl Z and Ctrl Shift Z: undo and redo, also after reloading.',
          'Ctrl K: find a run, room, device or page, or do something: place a type, draw walls, print, undo.',
          'Arrow keys, while a tool is in the hand, move a cursor over the plan and say where it is; Shift moves it farther. Enter or Space clicks there. Without a tool they go from device to device.',
          'Plus, minus, 0: nearer, farther, all of it. Page Up and Page Down: the level above and below.',
          'Enter: from what is selected to its first field, and back to the plan. Escape: one step back.',
        ],
      },
      {
        title: 'Survey',
        steps: [
          'V select, W walls, O openings (again: the next kind), T things, M measure, P shared point.',
          'Arrow keys move what is selected by 1 cm or 1/2 in; Shift ten times as far.',
          'Ctrl C, Ctrl V, Ctrl D, Ctrl A: copy, paste, duplicate, all of the kind.',
        ],
      },
    ],
  },
];
