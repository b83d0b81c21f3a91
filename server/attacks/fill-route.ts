import { randomUUID } from 'node:crypto';
import type { Route } from '../http/route-table.ts';

/** Values for the parameters of routes, by their names. */
export type RouteValues = Readonly<Record<string, string>>;

/** A route's address with its parameters filled in. */
export const fillRoute = ({ path }: Route, values: RouteValues): string =>
  path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(values[name] ?? randomUUID()));
