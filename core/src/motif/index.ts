export * from './counts.ts';
export * from './shape.ts';
export * from './size.ts';
export * from './strokes.ts';
