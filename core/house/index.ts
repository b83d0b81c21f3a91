export * from './building/index.ts';
export * from './plans/index.ts';
export * from './survey/index.ts';
