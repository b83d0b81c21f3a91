import { problemReply } from '@dusky-spool/core/model';
import type { Route } from '../http/route-table.ts';

/** The route that an address is, the most exact one where several fit. */
function routeOf(routes: readonly Route[], method: string, path: string): Route | undefined {
  const parts = path.split('?')[0].split('/');
  return routes
    .filter((route) => {
      const own = route.path.split('/');
      return (
        route.method === method &&
        own.length === parts.length &&
        own.every((part, n) => part.startsWith(':') || part === parts[n])
      );
    })
    .sort((a, b) => a.path.split(':').length - b.path.split(':').length)[0];
}

/** What is wrong with an answer by what its route promises; null where nothing is. */
export async function replyProblem(
  routes: readonly Route[],
  method: string,
  path: string,
  response: Response,
): Promise<string | null> {
  const route = routeOf(routes, method, path);
  if (!route) return null;
  const { reply, status = reply === undefined ? 204 : 200 } = route.spec;
  const told = `${method} ${route.path} answered ${response.status}`;
  if (!response.ok) {
    const body: unknown = await response.clone().json();
    return problemReply.safeParse(body).success ? null : `${told} without a problem: ${JSON.stringify(body)}`;
  }
  if (response.status !== status) return `${told}, not ${status}`;
  if (reply === undefined || reply === 'file') return null;
  const parsed = reply.safeParse(await response.clone().json());
  return parsed.success ? null : `${told} in another shape: ${parsed.error.message}`;
}
