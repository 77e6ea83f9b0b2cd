export { type Carrying, carrying, type TakenUp } from './carried.ts';
export { type StripesMeeting, stripesMeeting } from './meeting.ts';
export { type PanelColours, panelColours } from './panel-colours.ts';
export {
  bandRows,
  type ColourRun,
  colourOfRow,
  colourRuns,
  type RowColours,
  rowColours,
  strangeLetters,
  stripesOf,
  writtenColours,
  yarnOfLetter,
} from './row-colours.ts';
export { type StripesPlan, stripesPlan } from './stripes-plan.ts';
