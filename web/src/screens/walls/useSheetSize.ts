import { useEffect, useState, type RefObject } from 'react';

export interface SheetSize {
  readonly width: number;
  readonly height: number;
}

/** Until it is measured. */
const FIRST: SheetSize = { width: 900, height: 500 };

/** The size of a drawing on the screen, px; followed as the window changes. */
export function useSheetSize(sheet: RefObject<SVGSVGElement | null>): SheetSize {
  const [size, setSize] = useState(FIRST);
  useEffect(() => {
    const element = sheet.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry.contentRect;
      if (width > 0 && height > 0) setSize({ width: Math.round(width), height: Math.round(height) });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [sheet]);
  return size;
}
