import { LIVE_CLOSED, type LiveMessage, PROTOCOL_VERSION } from '@dusky-spool/core/model';
import { updateApp } from './app-update.ts';
import { TAB } from './http.ts';

const RETRY_MS = [500, 1000, 2000, 5000];

/** Follows a project over a WebSocket; opens it again whenever it closes, and says so. Returns the way to stop. */
export function followProject(projectId: string, heard: (message: LiveMessage) => void, lost: () => void): () => void {
  let stopped = false;
  let failures = 0;
  let socket: WebSocket | null = null;
  let timer = 0;
  const open = () => {
    const address = new URL(`/api/projects/${projectId}/live?tab=${TAB}`, window.location.href);
    address.protocol = address.protocol === 'https:' ? 'wss:' : 'ws:';
    socket = new WebSocket(address);
    socket.onmessage = (event: MessageEvent<string>) => {
      failures = 0;
      const message = JSON.parse(event.data) as LiveMessage;
      if (message.type === 'at-revision' && message.protocol > PROTOCOL_VERSION) updateApp();
      heard(message);
    };
    socket.onclose = ({ code }) => {
      // Not opened again: the session is over, or the project is gone.
      if (stopped || code === LIVE_CLOSED.signedOut || code === LIVE_CLOSED.gone) return;
      if (failures === 0) lost();
      timer = window.setTimeout(open, RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]);
    };
  };
  open();
  return () => {
    stopped = true;
    window.clearTimeout(timer);
    socket?.close();
  };
}
