import { WebSocket } from 'ws';
import type { LiveMessage } from '@dusky-spool/core/model';
import type { TestClient } from './test-client.ts';
import type { TestServer } from './test-server.ts';

/** Follows a project and records its messages and how it ended. */
export async function follow(server: TestServer, client: TestClient, projectId: string) {
  const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/projects/${projectId}/live`, {
    headers: { cookie: client.cookie },
  });
  const messages: LiveMessage[] = [];
  socket.on('message', (data: Buffer) => messages.push(JSON.parse(data.toString()) as LiveMessage));
  const ended = new Promise<number>((done) => socket.once('close', done));
  await new Promise((done, failed) => {
    socket.once('message', done);
    socket.once('error', failed);
  });
  return { messages, ended };
}
