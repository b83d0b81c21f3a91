/** The member who is signed in on this device, also while there is no connection to ask; empty where nobody is. */
const OWNER_KEY = 'spool-member';

export const deviceOwner = (): string => localStorage.getItem(OWNER_KEY) ?? '';

export function setDeviceOwner(memberId: string): void {
  if (memberId === '') localStorage.removeItem(OWNER_KEY);
  else localStorage.setItem(OWNER_KEY, memberId);
}
