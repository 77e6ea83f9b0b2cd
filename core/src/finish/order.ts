import { gatheredSheets } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { type Plan, piecesText } from '../plan/index.ts';
import { isStrap } from '../strap/index.ts';

/** Something that is done, once, in the making of a bag. */
export interface Operation {
  readonly id: string;
  readonly title: string;
  /** What must be done before, and why. */
  readonly after: ReadonlyArray<{ readonly id: string; readonly because: string }>;
  /** The usual caution at this step. */
  readonly caution?: string;
}

const HANDS =
  'Dense stitches and thick yarn are hard on hands, wrists and shoulders: take breaks, stretch, stop at pain; if it lasts, see a clinician.';
const LOAD =
  'A crocheted strap has no rating: hang a test load first, and carry nothing in it that must not fall. Heavy bags are hard on backs.';

const CLOSURE_TITLES = {
  button: 'Sew on the button and work its loop',
  holes: 'Work the button holes into the edge, and sew on the buttons',
  zip: 'Sew in the zip',
  magnet: 'Sew in the magnet',
  toggle: 'Sew on the toggle and work its loop',
  eyelets: 'Set the metal eyelets',
} as const;

const CLOSURE_CAUTIONS = {
  button:
    'Buttons and beads are choking hazards on small children’s things; what is for children or for sale falls under local product rules.',
  holes:
    'Buttons and beads are choking hazards on small children’s things; what is for children or for sale falls under local product rules.',
  zip: 'Keep needles and scissors counted and away from children.',
  magnet:
    'Keep magnets from small children (swallowing) and from pacemakers and other implants: follow their makers’ instructions.',
  toggle: 'Toggles are choking hazards on small children’s things.',
  eyelets: 'Hammer on a hard surface, eyes protected, fingers clear; follow the maker’s instructions.',
} as const;

/** Every operation of the bag, with what must come before it and why. */
export function operationsOf({ document, graph, tally, joins, bands: all }: Plan): Operation[] {
  const { features = {}, finish = {} } = document;
  const { straps, closure, lining } = finish;
  const bands = all.filter(isStrap);
  const rings = all.filter((band) => !isStrap(band));
  const eyelets = graph.trim?.eyelets !== undefined;
  const gathered = gatheredSheets(graph).bands.size > 0;
  const drawn = eyelets || gathered || features.waist !== undefined || (features.edge?.growth ?? 0) < 0;
  const edge = features.edge !== undefined;
  /** What leaves the rim as it stays. */
  const rim = edge ? 'edge' : gathered ? 'gather' : 'close';
  const flap = graph.facets.some(({ face }) => face === 'flap');
  const ways = new Set(document.motifs.flatMap(({ colourways }) => colourways.map(({ id }) => id))).size;
  const arrange = tally.motifs > 3 && ways > 1 && joins.school !== 'as-you-go';
  const flat = graph.seams.some(({ kind }) => kind === 'flat');
  const chained = straps?.kind === 'chained' || straps?.kind === 'edge';

  const operations: Array<Operation | undefined> = [
    { id: 'swatch', title: 'Work a swatch and measure it', after: [] },
    {
      id: 'pieces',
      title: `Work the pieces: ${piecesText(tally)}`,
      after: [{ id: 'swatch', because: 'their counts rest on its gauge' }],
      caution: HANDS,
    },
    {
      id: 'block',
      title: 'Block them to one size, lay twins on each other',
      after: [{ id: 'pieces', because: 'a piece that is joined cannot be pinned out any more' }],
      caution: 'Hot irons and steam burn, and some fibres melt: test on the swatch, follow the yarn’s label.',
    },
    arrange
      ? {
          id: 'arrange',
          title: 'Lay everything out and shuffle',
          after: [{ id: 'block', because: 'colours are judged at the size they will have' }],
        }
      : undefined,
    flat
      ? {
          id: 'flat',
          title:
            joins.school === 'as-you-go' ? 'Join square by square as you go' : 'Join what can be joined flat',
          after: [
            arrange
              ? { id: 'arrange', because: 'the order of the squares is fixed by then' }
              : { id: 'block', because: 'equal pieces meet without easing' },
          ],
        }
      : undefined,
    {
      id: 'ends',
      title: `Hide the ends so far, ${tally.pieceEnds} of the pieces`,
      after: [{ id: flat ? 'flat' : 'block', because: 'ends are easier to reach before the bag is closed' }],
      caution: 'Blunt needles; keep needles and scissors counted, and away from children.',
    },
    {
      id: 'close',
      title: 'Fold and close',
      after: [
        { id: 'ends', because: 'inside a closed bag they are hard to reach' },
        ...(flat ? [{ id: 'flat', because: 'a closing seam comes after every flat join' }] : []),
      ],
    },
    gathered
      ? {
          id: 'gather',
          title: 'Work the bands: they draw the ends in',
          after: [
            { id: 'close', because: 'the bands go on over the closed sides' },
            ...(lining
              ? [
                  {
                    id: 'lining',
                    because: 'the lining is as wide as the flat piece, and is drawn in with it',
                  },
                ]
              : []),
          ],
        }
      : undefined,
    rings.length > 0
      ? {
          id: 'waist',
          title: 'Draw the waist in, and sew the band round it',
          after: [
            { id: 'close', because: 'the thread runs all the way round the closed bag' },
            ...(lining ? [{ id: 'lining', because: 'a lining is set in before the bag is drawn in' }] : []),
          ],
        }
      : undefined,
    flap
      ? {
          id: 'flap',
          title: 'Work or join the flap',
          after: [{ id: gathered ? 'gather' : 'close', because: 'its middle is counted on the closed rim' }],
        }
      : undefined,
    edge
      ? {
          id: 'edge',
          title: `Work ${features.edge?.rounds} edge rounds`,
          after: [
            gathered
              ? { id: 'gather', because: 'it is worked on the bands' }
              : { id: 'close', because: 'rounds run all the way only when the sides are closed' },
            ...(flap ? [{ id: 'flap', because: 'the edge runs round the flap, too' }] : []),
            ...(lining && drawn
              ? [{ id: 'lining', because: 'a lining is easier to set in before the opening is drawn in' }]
              : []),
            ...(chained && straps
              ? [
                  {
                    id: 'strap-plan',
                    because: 'a strap that grows out of the edge is planned before that round',
                  },
                ]
              : []),
          ],
        }
      : undefined,
    chained && straps
      ? {
          id: 'strap-plan',
          title: 'Count where the straps leave the edge',
          after: [{ id: 'close', because: 'places are counted in from both sides of the closed rim' }],
        }
      : undefined,
    straps || bands.length > 0
      ? {
          id: 'straps',
          title: [
            ...bands.map(({ band: { name, many } }) => (many > 1 ? `${name}, ${many} alike` : name)),
            ...(straps ? [straps.many === 2 ? 'two equal straps' : 'the strap'] : []),
          ]
            .join('; ')
            .replace(/^/, 'Work and fix: '),
          after: [
            edge
              ? {
                  id: 'edge',
                  because: chained ? 'it is part of that round' : 'it is sewn to the finished edge',
                }
              : { id: rim, because: 'both faces must agree in their counts' },
          ],
          caution: `${LOAD} Long straps can catch and strangle: never on small children’s things.`,
        }
      : undefined,
    eyelets
      ? {
          id: 'cord',
          title: 'Draw the cord through',
          after: [{ id: rim, because: 'the eyelets lie along the finished rim' }],
          caution: 'Cords and drawstrings can strangle and catch: never on small children’s things.',
        }
      : undefined,
    lining
      ? {
          id: 'lining',
          title: lining.of === 'cloth' ? 'Sew the lining and set it in' : 'Set the ready-made bag in',
          after: [
            { id: 'close', because: 'it is fitted to the closed bag' },
            ...(!drawn && edge ? [{ id: 'edge', because: 'its rim is hemmed to the edge' }] : []),
            ...(closure?.of === 'zip' ? [{ id: 'closure', because: 'it covers the zip’s tape' }] : []),
            ...((straps || bands.length > 0) && !drawn
              ? [{ id: 'straps', because: 'it covers where the straps are sewn on' }]
              : []),
          ],
        }
      : undefined,
    closure
      ? {
          id: 'closure',
          title: CLOSURE_TITLES[closure.of],
          after: [
            // A zip under a lining that must come before a drawn-in edge goes in before both.
            closure.of === 'zip' && lining && drawn
              ? { id: 'close', because: 'the lining covers its tape, and comes before the edge' }
              : { id: rim, because: 'it sits on the finished rim' },
            ...(lining && closure.of === 'eyelets'
              ? [{ id: 'lining', because: 'they go through both layers' }]
              : []),
          ],
          caution: CLOSURE_CAUTIONS[closure.of],
        }
      : undefined,
  ];
  const own = operations.flatMap((operation) => operation ?? []);
  const last: Operation = {
    id: 'last',
    title: 'Hide the last ends; fill it, hang it up, and note what to change next time',
    after: own.map(({ id }) => ({ id, because: 'everything is done by then' })),
    ...(straps || bands.length > 0 ? { caution: LOAD } : {}),
  };
  return [...own, last];
}

/**
 * The operations in an order in which nothing comes before what it needs (Kahn), as near to the order given as can be.
 *
 * @throws when two operations wait for each other.
 */
export function inOrder(operations: readonly Operation[]): Operation[] {
  const there = new Set(operations.map(({ id }) => id));
  const done = new Set<string>();
  const order: Operation[] = [];
  while (order.length < operations.length) {
    const next = operations.find(
      ({ id, after }) => !done.has(id) && after.every((one) => done.has(one.id) || !there.has(one.id)),
    );
    if (!next) throw new Error('Two operations wait for each other.');
    done.add(next.id);
    order.push(next);
  }
  return order;
}

/** Choices that make a later step hard, in sentences. */
export function warningsOf({ document, graph }: Pick<Plan, 'document' | 'graph'>): string[] {
  const { features = {}, finish = {} }: Pick<BagDocument, 'features' | 'finish'> = document;
  const { straps, lining, closure } = finish;
  const warnings: string[] = [];
  if (straps && (straps.kind === 'edge' || straps.kind === 'chained') && !features.edge)
    warnings.push('A strap chained out of the edge needs edge rounds: add them under Build, On top of it.');
  if (straps?.kind === 'edge' && straps.many === 2 && graph.facets.some(({ face }) => face === 'flap'))
    warnings.push(
      'The edge round goes round the flap: a strap out of it has no place behind. Sew a pair on.',
    );
  if (closure?.of === 'holes' && (features.edge?.rounds ?? 0) < 3)
    warnings.push(
      'Button holes need at least three edge rounds: one before the holes, one with them, one after. Add them under Edge.',
    );
  if (closure?.of === 'zip' && (features.edge?.growth ?? 0) !== 0)
    warnings.push('A zip wants a rim that neither flares nor draws in: set the edge’s growth to 0.');
  if (lining && graph.trim?.waist)
    warnings.push('A lining does not draw in with the waist: set it in first, and give it the full width.');
  if (closure && closure.of !== 'zip' && graph.trim?.eyelets)
    warnings.push('The drawstring closes the bag already: the other closure sits on a rim that is drawn in.');
  return warnings;
}
