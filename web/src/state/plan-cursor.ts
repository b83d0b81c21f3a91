import type { Point2 } from '@dusky-spool/core/math';
import { create } from 'zustand';

/** Where the cursor is that keys move over the plan; null while the pointer leads. m. */
export const usePlanCursor = create<{ readonly at: Point2 | null }>()(() => ({ at: null }));
