export { withFeatures } from './apply.ts';
export { featureControls } from './controls.ts';
export { rimBehind } from './flap.ts';
export { type Features, featuresSchema } from './schema.ts';
