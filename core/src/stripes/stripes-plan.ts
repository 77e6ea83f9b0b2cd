import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { type StripesMeeting, stripesMeeting } from './meeting.ts';
import { type PanelColours, panelColours } from './panel-colours.ts';
import { rowColours } from './row-colours.ts';

/** The colours of all panels, and how the stripes of those that have some meet. */
export interface StripesPlan {
  readonly panels: readonly PanelColours[];
  readonly meetings: readonly StripesMeeting[];
}

export function stripesPlan(document: BagDocument, graph: BagGraph): StripesPlan {
  const panels = graph.pieces.flatMap((piece) =>
    piece.make.of === 'panel' ? [panelColours(document, piece)] : [],
  );
  const striped = new Set(panels.filter(({ runs }) => runs.length > 1).map(({ name }) => name));
  const meetings = stripesMeeting(graph, (piece) => rowColours(document, piece)).filter(({ pieces }) =>
    pieces.some((name) => striped.has(name)),
  );
  return { panels, meetings };
}
