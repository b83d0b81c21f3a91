/** The name of a paper as printers know it. */
export const paperName = (paper: string): string => (paper === 'ArchD' ? 'Arch D' : paper);
