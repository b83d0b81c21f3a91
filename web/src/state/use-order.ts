import type { OrderOfHouse } from '@dusky-spool/core/deltas';
import { useEffect, useState } from 'react';
import { askOrder } from './derived.ts';
import { useProject } from './open-project.ts';

/** The plan of spools and pulls of the worker, worked out while it is shown; the last one stays until the next is there. */
export function useOrder(isShown: boolean): OrderOfHouse | null {
  const project = useProject();
  const [order, setOrder] = useState<OrderOfHouse | null>(null);
  useEffect(() => {
    if (!isShown) return;
    let isOver = false;
    void askOrder().then((found) => {
      if (!isOver && found) setOrder(found);
    });
    return () => {
      isOver = true;
    };
  }, [project, isShown]);
  return order;
}
