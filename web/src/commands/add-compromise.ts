import { type Compromise, create, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

const MAX_NAME = 60;

/** A compromise agreed on a day, to be accepted by the client. */
export const addCompromise = (
  project: ProjectDocument,
  { id, what, on, roomId = null }: Pick<Compromise, 'id' | 'what' | 'on'> & { readonly roomId?: string | null },
): Operation[] => [
  create('compromises', {
    id,
    roomId,
    areaId: null,
    deviceId: null,
    what,
    reason: '',
    effect: '',
    on,
    acceptedBy: project.project.client.slice(0, MAX_NAME),
    signedOn: '',
  }),
];
