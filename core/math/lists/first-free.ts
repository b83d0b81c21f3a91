/** The first number from `from` whose name is not taken, with that name. */
export function firstFree(
  nameOf: (number: number) => string,
  taken: ReadonlySet<string>,
  from = 1,
): { readonly number: number; readonly name: string } {
  let number = from;
  while (taken.has(nameOf(number))) number++;
  return { number, name: nameOf(number) };
}
