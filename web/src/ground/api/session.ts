import { create } from 'zustand';
import {
  forbiddenOperation,
  hasRight,
  maySeeCosts,
  type Operation,
  type Right,
  type Role,
  type SessionReply,
} from '@dusky-spool/core/model';
import type { Problem } from '@dusky-spool/core/math';
import { getJson, postJson, rememberToken, remove } from './http.ts';
import { setDeviceOwner } from './device-owner.ts';

export interface NewFirm {
  readonly firm: string;
  readonly name: string;
  readonly email: string;
  readonly password: string;
  readonly setupToken: string;
}

interface SessionStore {
  readonly session: SessionReply | null;
  /** The session could not be read: no connection, or the database is away. */
  readonly away: boolean;
  readonly read: () => Promise<void>;
  readonly enterDemo: () => Promise<void>;
  readonly signIn: (email: string, password: string) => Promise<void>;
  readonly makeFirm: (account: NewFirm) => Promise<void>;
  readonly join: (token: string, name: string, password: string) => Promise<void>;
  /** Signs out; houses stored on this device are locked for the next sign-in here, or deleted. */
  readonly signOut: (houses: 'lock' | 'wipe') => Promise<void>;
}

/** Name of who is signed in; empty where nobody is. */
export const useOwnName = (): string => useSession((state) => state.session?.member?.name ?? '');

/** Role of who is signed in. Unknown without a connection; the server decides when it is back. */
export const useRole = (): Role => useSession((state) => state.session?.member?.role ?? 'planner');

export const useRight = (right: Right): boolean => hasRight(useRole(), right);

/** Whether what the firm pays and earns is shown: a client's page does not have it. */
export const useMaySeeCosts = (): boolean => maySeeCosts(useRole());

/** What the signed-in person may not do, before an edit is made. */
export function forbids(operations: readonly Operation[]): Problem | null {
  const role = useSession.getState().session?.member?.role;
  const forbidden = role && forbiddenOperation(role, operations);
  return forbidden ? { code: 'role-too-low', field: forbidden.in, role } : null;
}

/** Who is signed in in this browser. */
export const useSession = create<SessionStore>((set) => {
  const take = async (reply: SessionReply) => {
    if (reply.member) {
      setDeviceOwner(reply.member.id);
      await unlock(reply.member.id).catch(() => undefined);
    }
    set({ session: rememberToken(reply), away: false });
  };
  const unlock = async (memberId: string) => {
    if (!mayBeLocked()) return;
    const { isLocked, unlockDevice } = await import('./device-store.ts');
    if (await isLocked(memberId)) await unlockDevice(memberId, (await getJson<{ key: string }>('/session/device-key')).key);
    localStorage.removeItem(LOCKED_MARK);
  };
  return {
    session: null,
    away: false,
    read: async () => {
      try {
        await take(await getJson<SessionReply>('/session'));
      } catch {
        set({ away: true });
      }
    },
    enterDemo: async () => take(await postJson<SessionReply>('/session/demo', {})),
    signIn: async (email, password) => take(await postJson<SessionReply>('/session', { email, password })),
    makeFirm: async (account) => take(await postJson<SessionReply>('/session/first-account', account)),
    join: async (token, name, password) =>
      take(await postJson<SessionReply>('/session/invitation/accept', { token, name, password })),
    signOut: async (houses) => {
      const { lockDevice, wipeDevice } = await import('./device-store.ts');
      if (houses === 'lock') {
        await lockDevice((await getJson<{ key: string }>('/session/device-key')).key);
        localStorage.setItem(LOCKED_MARK, '1');
      } else await wipeDevice();
      await remove('/session');
      setDeviceOwner('');
      await take(await getJson<SessionReply>('/session'));
    },
  };
});

/** A mark beside the store, so that a page without locked houses need not open it to know. */
const LOCKED_MARK = 'spool-locked';
const mayBeLocked = (): boolean => localStorage.getItem(LOCKED_MARK) !== null;
