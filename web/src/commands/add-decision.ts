import { create, type OpenDecision, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

const LEAD_DAYS = 10;
const MAX_OWNER = 60;

/** A decision that is open until drywall closes, with the client as its owner. */
export const addDecision = (project: ProjectDocument, { id, subject }: Pick<OpenDecision, 'id' | 'subject'>): Operation[] => [
  create('decisions', {
    id,
    roomId: null,
    areaId: null,
    subject,
    options: [],
    gate: 'board',
    leadDays: LEAD_DAYS,
    owner: project.project.client.slice(0, MAX_OWNER),
    chosen: '',
    decidedOn: '',
    note: '',
  }),
];
