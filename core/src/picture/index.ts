export * from './project.ts';
export * from './small-picture.ts';
