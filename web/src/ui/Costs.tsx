import type { ReactNode } from 'react';
import { useMaySeeCosts } from '../ground/api/session.ts';

/** Shows its children to who may see what the firm pays and earns; clients get nothing in their place. */
export const Costs = ({ children }: { readonly children: ReactNode }) => (useMaySeeCosts() ? children : null);
