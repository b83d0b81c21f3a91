export * from './library/index.ts';
export * from './library-files/index.ts';
export * from './mounting/index.ts';
export * from './placing/index.ts';
export * from './plates/index.ts';
