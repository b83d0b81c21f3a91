import type { Migration } from './migration.ts';
import { OWN, refers } from './record-table.ts';

const GATES_BEFORE =
  "'framing', 'mains-rough-in', 'low-voltage-rough-in', 'slab-pour', 'insulation', 'board', 'paint', 'joinery', 'trim-out'";
const GATES_ADDED = "'firestop', 'inspection', 'mud', 'texture', 'stucco', 'tile', 'floor'";
const GATES = `${GATES_BEFORE}, ${GATES_ADDED}`;

const gateChecks = (gates: string) => `
ALTER TABLE decisions DROP CONSTRAINT decisions_gate_check;
ALTER TABLE decisions ADD CONSTRAINT decisions_gate_check CHECK (gate IN (${gates}));
ALTER TABLE trade_dates DROP CONSTRAINT trade_dates_gate_check;
ALTER TABLE trade_dates ADD CONSTRAINT trade_dates_gate_check CHECK (gate IN (${gates}));
`;

const UP = `${gateChecks(GATES)}
ALTER TABLE trade_dates ADD "from" text NOT NULL DEFAULT '';
ALTER TABLE trade_dates ALTER "from" DROP DEFAULT;
CREATE TABLE room_dates (${OWN},
  room_id text NOT NULL,
  gate text NOT NULL CHECK (gate IN (${GATES})),
  "from" text NOT NULL,
  "on" text NOT NULL,
  CONSTRAINT room_dates_gate UNIQUE (project_id, room_id, gate) DEFERRABLE INITIALLY DEFERRED,
  ${refers('room_dates_room_id', 'room_id', 'rooms')}
);
CREATE TABLE prices (${OWN},
  item text NOT NULL,
  supplier text NOT NULL,
  part_number text NOT NULL,
  price_cents integer NOT NULL CHECK (price_cents >= 0),
  tax_percent double precision CHECK (tax_percent BETWEEN 0 AND 100),
  valid_from text NOT NULL,
  valid_to text NOT NULL,
  lead_days integer NOT NULL CHECK (lead_days >= 0)
);
CREATE TABLE deliveries (${OWN},
  item text NOT NULL,
  count integer NOT NULL CHECK (count > 0),
  supplier text NOT NULL,
  ordered_on text NOT NULL,
  promised_on text NOT NULL,
  received_on text NOT NULL,
  checked_on text NOT NULL,
  damaged_count integer NOT NULL CHECK (damaged_count >= 0),
  place text NOT NULL,
  serials jsonb NOT NULL,
  terms text NOT NULL,
  prepared_by text NOT NULL,
  prepared_on text NOT NULL,
  note text NOT NULL
);
CREATE TABLE baselines (${OWN},
  number integer NOT NULL CHECK (number > 0),
  name text NOT NULL,
  locked_on text NOT NULL,
  locked_by text NOT NULL,
  lines jsonb NOT NULL,
  runs jsonb NOT NULL,
  CONSTRAINT baselines_number UNIQUE (project_id, number) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE change_orders (${OWN},
  number integer NOT NULL CHECK (number > 0),
  from_id text NOT NULL,
  to_id text NOT NULL,
  reason text NOT NULL,
  gate text NOT NULL,
  answer text NOT NULL,
  signed_by text NOT NULL,
  signed_on text NOT NULL,
  CONSTRAINT change_orders_number UNIQUE (project_id, number) DEFERRABLE INITIALLY DEFERRED,
  ${refers('change_orders_from_id', 'from_id', 'baselines')},
  ${refers('change_orders_to_id', 'to_id', 'baselines')}
);
CREATE TABLE offer_options (${OWN},
  "order" integer NOT NULL,
  name text NOT NULL,
  note text NOT NULL,
  without_systems jsonb NOT NULL,
  without_room_ids jsonb NOT NULL,
  without_phase_ids jsonb NOT NULL,
  swaps jsonb NOT NULL,
  CONSTRAINT offer_options_name UNIQUE (project_id, name) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE site_tasks (${OWN},
  name text NOT NULL,
  kind text NOT NULL,
  room_id text,
  gate text,
  hours double precision NOT NULL CHECK (hours >= 0),
  cost_cents integer NOT NULL CHECK (cost_cents >= 0),
  from_on text NOT NULL,
  to_on text NOT NULL,
  choices jsonb NOT NULL,
  chosen_by text,
  done_on text NOT NULL,
  note text NOT NULL,
  ${refers('site_tasks_room_id', 'room_id', 'rooms')}
);
CREATE TABLE rate_cards (${OWN},
  name text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('client', 'builder', 'trade')),
  labour_rate double precision NOT NULL CHECK (labour_rate >= 0),
  margin_percent double precision NOT NULL CHECK (margin_percent BETWEEN 0 AND 95),
  outlet_price double precision CHECK (outlet_price >= 0),
  window_price double precision CHECK (window_price >= 0),
  CONSTRAINT rate_cards_name UNIQUE (project_id, name) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE permits (${OWN},
  name text NOT NULL,
  authority text NOT NULL,
  number text NOT NULL,
  gate text NOT NULL CHECK (gate IN (${GATES})),
  lead_days integer NOT NULL CHECK (lead_days >= 0),
  applied_on text NOT NULL,
  granted_on text NOT NULL,
  inspected_on text NOT NULL,
  inspector text NOT NULL,
  result text NOT NULL CHECK (result IN ('open', 'passed', 'failed')),
  note text NOT NULL,
  CONSTRAINT permits_name UNIQUE (project_id, name) DEFERRABLE INITIALLY DEFERRED
);
CREATE TABLE package_signatures (${OWN},
  signed_by text NOT NULL,
  signed_on text NOT NULL,
  lines jsonb NOT NULL
);
CREATE TABLE firm_table_columns (
  firm_id uuid NOT NULL REFERENCES firms (id) ON DELETE CASCADE,
  kind text NOT NULL,
  head text NOT NULL,
  columns jsonb NOT NULL,
  updated_at timestamptz NOT NULL,
  PRIMARY KEY (firm_id, kind, head)
);
ALTER TABLE projects ADD price_settings jsonb NOT NULL DEFAULT
  '{"marginPercent": 30, "taxPercent": 0, "depositPercent": 40, "cleanupPercent": 12, "contingencyPercent": 10, "validDays": 30}';
ALTER TABLE projects ALTER price_settings DROP DEFAULT;
`;

const DOWN = `
ALTER TABLE projects DROP price_settings;
DROP TABLE firm_table_columns;
DROP TABLE package_signatures;
DROP TABLE permits;
DROP TABLE rate_cards;
DROP TABLE site_tasks;
DROP TABLE offer_options;
DROP TABLE change_orders;
DROP TABLE baselines;
DROP TABLE deliveries;
DROP TABLE prices;
DROP TABLE room_dates;
ALTER TABLE trade_dates DROP "from";
DELETE FROM trade_dates WHERE gate IN (${GATES_ADDED});
UPDATE decisions SET gate = 'insulation' WHERE gate IN ('firestop', 'inspection');
UPDATE decisions SET gate = 'paint' WHERE gate IN (${GATES_ADDED});
${gateChecks(GATES_BEFORE)}`;

/** Prices, goods, baselines and changes, options of an offer, tasks beside the cables, rate cards, permits, signed lists, dates by room, and columns of tables. */
export const offers: Migration = {
  name: '2026-12-22-offers',
  up: (sql) => sql(UP),
  down: (sql) => sql(DOWN),
};
