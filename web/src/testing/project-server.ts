import { edited } from '@dusky-spool/core/derive';
import { type Change, PROTOCOL_VERSION, type ProjectDocument } from '@dusky-spool/core/model';
import { setDeviceOwner } from '../ground/api/device-owner.ts';
import { wipeDevice } from '../ground/api/device-store.ts';
import { fakeServer, type Refusal } from './fake-server.ts';

/** The live connection of the page, as the server would hold it. */
export class FakeSocket {
  static all: FakeSocket[] = [];
  onmessage: ((event: { data: string }) => void) | null = null;
  onclose: ((event: { code: number }) => void) | null = null;
  isClosed = false;
  constructor(readonly address: URL) {
    FakeSocket.all.push(this);
  }
  say(message: object) {
    this.onmessage?.({ data: JSON.stringify(message) });
  }
  close() {
    this.isClosed = true;
  }
}

/** The server of one project, `p1`, with an empty device beside it; `refuse` is answered instead of anything else. */
export async function projectServer(start: ProjectDocument) {
  setDeviceOwner('m1');
  await wipeDevice();
  FakeSocket.all = [];
  const realSocket = globalThis.WebSocket;
  globalThis.WebSocket = FakeSocket as never;
  const state = { project: start, revision: 0, refuse: null as Refusal | null };
  const server = fakeServer({
    'GET /projects/p1': () => state.refuse ?? { document: state.project, revision: state.revision, pictures: [] },
    'GET /projects/p1/changes': () => state.refuse ?? { changes: [] },
    'POST /projects/p1/changes': ({ body }) => {
      if (state.refuse) return state.refuse;
      const results = (body as { changes: Change[] }).changes.map((change) => {
        const after = edited(state.project, change.operations);
        if (!after.ok) return { id: change.id, status: 'refused', problem: after.problem };
        state.project = after.value;
        return { id: change.id, status: 'applied', revision: ++state.revision };
      });
      return { revision: state.revision, results };
    },
  });
  return {
    ...server,
    state,
    /** What another person does arrives over the live connection. */
    someoneElse: (change: Omit<Change, 'id' | 'baseRevision'>) => {
      const own = { ...change, id: crypto.randomUUID(), baseRevision: state.revision };
      const after = edited(state.project, own.operations);
      if (!after.ok) throw new Error(after.problem.code);
      state.project = after.value;
      const stored = { revision: ++state.revision, change: own, author: 'Bo', at: '2026-11-25T08:00:00Z' };
      const [socket] = FakeSocket.all.slice(-1);
      socket.say({ type: 'at-revision', revision: state.revision - 1, protocol: PROTOCOL_VERSION });
      socket.say({ type: 'change', stored });
    },
    stop: () => {
      server.stop();
      globalThis.WebSocket = realSocket;
    },
  };
}
