import type { Request } from 'express';
import type { z } from 'zod';
import { problemOfIssue } from '@dusky-spool/core/project';
import { PlannedRefusal } from './problems.ts';

function parse<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value ?? {});
  if (parsed.success) return parsed.data;
  throw new PlannedRefusal({ ...problemOfIssue(parsed.error.issues[0], ''), code: 'input-invalid' });
}

/** The body of a request in the shape of the contract; refused with the field otherwise. */
export const parseBody = <T>(request: Request, schema: z.ZodType<T>): T => parse(schema, request.body);

export const parseQuery = <T>(request: Request, schema: z.ZodType<T>): T => parse(schema, request.query);
