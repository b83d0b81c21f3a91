export * from './conduits/index.ts';
export * from './floor-topping/index.ts';
export * from './holes/index.ts';
export * from './raceways/index.ts';
