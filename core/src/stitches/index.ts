export * from './stitch.ts';
