import type { Request } from 'express';
import type { z } from 'zod';
import { problemOfIssue, textProblem } from '@dusky-spool/core/model';
import { PlannedRefusal } from './problems.ts';

/** A value in the shape of the contract, and with clean text; refused with the field otherwise. */
export function parseValue<T>(schema: z.ZodType<T>, value: unknown): T {
  const unclean = textProblem(value);
  if (unclean) throw new PlannedRefusal({ ...unclean, code: unclean.code === 'record-invalid' ? 'input-invalid' : unclean.code });
  return parseShape(value, schema);
}

/** A value in the shape of the contract alone; its parts are checked one by one by the caller. */
export function parseShape<T>(value: unknown, schema: z.ZodType<T>): T {
  const parsed = schema.safeParse(value ?? {});
  if (parsed.success) return parsed.data;
  throw new PlannedRefusal({ ...problemOfIssue(parsed.error.issues[0], ''), code: 'input-invalid' });
}

/** The body of a request in the shape of the contract; refused with the field otherwise. */
export const parseBody = <T>(request: Request, schema: z.ZodType<T>): T => parseValue(schema, request.body);

export const parseQuery = <T>(request: Request, schema: z.ZodType<T>): T => parseValue(schema, request.query);
