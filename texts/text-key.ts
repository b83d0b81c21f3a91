import type { en } from './en/index.ts';

type Leaves<T> = {
  [K in keyof T & string]: T[K] extends string ? K : T[K] extends readonly unknown[] ? K : `${K}.${Leaves<T[K]>}`;
}[keyof T & string];
/** Plural forms are chosen by the figure `count`, and asked for by the key before them. */
type WithoutPlural<K> = K extends `${infer Base}_${'one' | 'other' | 'few' | 'many' | 'zero' | 'two'}` ? Base : K;

/** The keys of the texts below a part, such as `ui`. */
export type TextKey<P extends keyof typeof en> = WithoutPlural<Leaves<(typeof en)[P]>>;
