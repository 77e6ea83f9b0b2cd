import { type BagDocument, panelOf, panelsUsed, swatchOf } from '../document/index.ts';
import { flatnessText, type WorkedPiece } from '../fabric/index.ts';
import { isRectangular, stripWays } from '../families/index.ts';
import { panelPiece, type SizeTable } from '../fit/index.ts';
import { isSimple } from '../geometry/index.ts';

/** What a panel cannot be: the end of a sentence that begins with its name; nothing where it can. */
type Rule = (piece: WorkedPiece) => string | undefined;

const hasChain = ({ sides }: WorkedPiece) => sides.some(({ at }) => at === 'bottom');

const asStrip =
  (worked: unknown): Rule =>
  (piece) => {
    if (!hasChain(piece))
      return 'is worked round, or begins in a ring: a strip has two long sides. Make it of a panel that begins on a chain.';
    if (!stripWays(piece.sides).some((way) => way === worked))
      return 'has steps in its long sides, where rows leave stitches: a strip is sewn along both. Let its rows run along the strip, or make it of another panel.';
    return undefined;
  };

const asStrap: Rule = (piece) =>
  hasChain(piece)
    ? undefined
    : 'is worked round, or begins in a ring: a strap has two ends. Make it of a panel that begins on a chain.';

const asSheet: Rule = (piece) =>
  isRectangular(piece)
    ? undefined
    : 'makes no rectangle: a wall, or a sheet that is folded or goes round a bag, has four straight sides.';

const asBase: Rule = ({ sides }) =>
  sides.length === 1 ? undefined : 'is worked in rows: what a tube stands on is worked round, from a ring.';

/** A face may be of any shape. */
const asFace: Rule = () => undefined;

interface Use {
  readonly panel: string;
  readonly rule: Rule;
}

/** What a part of a construction asks of the panels it is made of. */
function usesIn(part: unknown, key = ''): Use[] {
  if (typeof part !== 'object' || part === null) return [];
  const inner = Object.entries(part).flatMap(([name, value]) => usesIn(value, name));
  if (!('panel' in part) || typeof part.panel !== 'string') return inner;
  return [{ panel: part.panel, rule: ruleOf(part, key) }, ...inner];
}

/** Strips say how they are worked, faces how far they open; what a tube stands on is known by its name. */
function ruleOf(part: object, key: string): Rule {
  if ('worked' in part) return asStrip(part.worked);
  if ('open' in part) return asFace;
  return key === 'base' ? asBase : asSheet;
}

/** Why rows make no panel, or none that can be what the bag is made of: in a sentence. */
export function rowsTrouble(document: BagDocument, table: SizeTable): string | undefined {
  const pieceOf = (id: string) => {
    const panel = panelOf(document, id);
    const { piece } = panelPiece(document, panel, swatchOf(document, panel.swatch), table.sizes);
    return { name: panel.name, piece };
  };
  for (const id of panelsUsed(document)) {
    const { name, piece } = pieceOf(id);
    if (!piece) return `The panel “${name}” has no rows yet. They begin with “Row 1:” or “Round 1:”.`;
    if (new Set(piece.laid.rows.map(({ layer }) => layer.round)).size > 1)
      return `The panel “${name}” is worked partly in rounds and partly in rows. A part of a bag is one or the other: make it two panels.`;
    if (!isSimple(piece.outline))
      return `The rows of “${name}” make a piece that would lie over itself: ${flatnessText(piece.flatness, piece.sides.length === 1)} As a part of a bag it must lie in one plane.`;
  }
  const strap = document.finish?.straps?.panel;
  const uses = [
    ...usesIn(document.construction),
    ...(strap === undefined ? [] : [{ panel: strap, rule: asStrap }]),
  ];
  for (const { panel, rule } of uses) {
    const { name, piece } = pieceOf(panel);
    const wrong = piece && rule(piece);
    if (wrong) return `The panel “${name}” ${wrong}`;
  }
  return undefined;
}
