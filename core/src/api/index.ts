export * from './bags.ts';
export * from './holdings.ts';
export * from './problem.ts';
export * from './routes.ts';
export * from './settings.ts';
export * from './undo-holdings.ts';
