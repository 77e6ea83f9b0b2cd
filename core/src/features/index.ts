export { withFeatures } from './apply.ts';
export { featureControls } from './controls.ts';
