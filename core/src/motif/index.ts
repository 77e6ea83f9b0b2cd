export * from './counts.ts';
export * from './rounds/index.ts';
export * from './shape.ts';
export * from './size.ts';
export * from './strokes.ts';
