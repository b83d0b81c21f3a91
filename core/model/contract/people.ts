// What web and server say to each other about people: accounts, members, invitations, sessions, audit, mail.
import { z } from 'zod';
import { CLEAN_TEXT } from '../project/index.ts';
import { ROLES } from './access.ts';

export const words = (max: number, min = 1) =>
  z.string().trim().min(min).max(max).regex(CLEAN_TEXT, 'holds control or invisible characters');
const email = z
  .email()
  .max(200)
  .transform((text) => text.toLowerCase());
const token = z.string().regex(/^[\w-]{20,80}$/, 'is not such a code');

export const MIN_PASSWORD_LENGTH = 12;
const newPassword = z.string().min(MIN_PASSWORD_LENGTH).max(200);

export const signInRequest = z.strictObject({ email, password: z.string().min(1).max(200) });
/** The first account of a server needs the token that its start printed; a further firm of the demo needs none. */
export const firstAccountRequest = z.strictObject({
  firm: words(120),
  name: words(120),
  email,
  password: newPassword,
  setupToken: z.string().max(80).default(''),
});
export const changePasswordRequest = z.strictObject({ current: z.string().min(1).max(200), password: newPassword });
export const askResetRequest = z.strictObject({ email });
export const resetPasswordRequest = z.strictObject({ token, password: newPassword });
export const inviteRequest = z
  .strictObject({ email, role: z.enum(ROLES), projectIds: z.array(z.uuid()).max(200).default([]) })
  .refine(({ role, projectIds }) => role !== 'client' || projectIds.length > 0, {
    path: ['projectIds'],
    message: 'must name at least one project for a client',
  });
export const readInvitationRequest = z.strictObject({ token });
export const acceptInvitationRequest = z.strictObject({ token, name: words(120), password: newPassword });
export const memberRequest = z
  .strictObject({ role: z.enum(ROLES), projectIds: z.array(z.uuid()).max(200).default([]) })
  .refine(({ role, projectIds }) => role !== 'client' || projectIds.length > 0, {
    path: ['projectIds'],
    message: 'must name at least one project for a client',
  });
export const firmSettingsRequest = z.strictObject({ plannersMayDelete: z.boolean() });
