export * from './contract/index.ts';
export * from './formats/index.ts';
export * from './project/index.ts';
