import { create, type DeviceType, type Operation, type ProjectDocument } from '../../model/index.ts';

const CODES = [...'XYZQJ'].flatMap((letter) => [...'0123456789'].map((digit) => `${letter}${digit}`));
const MAX_NAME = 80;

/** A new type of the project, made from another, with a code that is free. */
export function copyType(
  project: ProjectDocument,
  { id, from, name }: { readonly id: string; readonly from: DeviceType; readonly name: string },
): Operation[] {
  const codes = new Set(Object.values(project.deviceTypes).map(({ code }) => code));
  const code = CODES.find((one) => !codes.has(one)) ?? CODES[0];
  return [create('deviceTypes', { ...from, id, code, name: name.slice(0, MAX_NAME), version: 1 })];
}
