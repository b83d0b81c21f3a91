export * from './geometry/index.ts';
export * from './outcome/index.ts';
export * from './regions/index.ts';
export * from './units/index.ts';
