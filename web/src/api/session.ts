import { create } from 'zustand';
import type { SessionReply } from '@dusky-spool/core/contract';
import { getJson, postJson, rememberToken, remove } from './http.ts';

interface SessionStore {
  readonly session: SessionReply | null;
  /** The session could not be read: no connection, or the database is away. */
  readonly away: boolean;
  readonly read: () => Promise<void>;
  readonly enterDemo: () => Promise<void>;
  readonly signIn: (email: string, password: string) => Promise<void>;
  readonly makeFirst: (account: { firm: string; name: string; email: string; password: string }) => Promise<void>;
  readonly signOut: () => Promise<void>;
}

/** Name of who is signed in; empty where nobody is. */
export const useOwnName = (): string => useSession((state) => state.session?.member?.name ?? '');

/** Who is signed in in this browser. */
export const useSession = create<SessionStore>((set) => {
  const take = (reply: SessionReply) => set({ session: rememberToken(reply), away: false });
  return {
    session: null,
    away: false,
    read: async () => {
      try {
        take(await getJson<SessionReply>('/session'));
      } catch {
        set({ away: true });
      }
    },
    enterDemo: async () => take(await postJson<SessionReply>('/session/demo', {})),
    signIn: async (email, password) => take(await postJson<SessionReply>('/session', { email, password })),
    makeFirst: async (account) => take(await postJson<SessionReply>('/session/first-account', account)),
    signOut: async () => {
      await remove('/session');
      take(await getJson<SessionReply>('/session'));
    },
  };
});
