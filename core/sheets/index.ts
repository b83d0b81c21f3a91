export * from './documents/index.ts';
export * from './labels/index.ts';
