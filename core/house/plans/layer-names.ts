/** Whether a layer is named for walls. */
export const isNamedForWalls = (name: string): boolean => /wall|wand|mur|parti/i.test(name);
