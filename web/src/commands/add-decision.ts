import { create, type OpenDecision, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

const LEAD_DAYS = 10;
const MAX_OWNER = 60;

type Given = Pick<OpenDecision, 'id' | 'subject'> & Partial<Pick<OpenDecision, 'roomId' | 'options'>>;

/** A decision that is open until drywall closes, with the client as its owner. */
export const addDecision = (project: ProjectDocument, { id, subject, roomId = null, options = [] }: Given): Operation[] => [
  create('decisions', {
    id,
    roomId,
    areaId: null,
    subject,
    options,
    gate: 'board',
    leadDays: LEAD_DAYS,
    owner: project.project.client.slice(0, MAX_OWNER),
    chosen: '',
    decidedOn: '',
    note: '',
  }),
];
