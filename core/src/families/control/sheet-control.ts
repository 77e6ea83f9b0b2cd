import type { Body } from '../layout/body.ts';
import { isRectangular } from '../layout/rows-sheet.ts';
import { type SheetMake, sheetSize } from '../layout/sheet-make.ts';
import { type BodyControlOptions, bodyControls, type Control, panelOfSize } from './control.ts';
import { panelOfValue, panelOptions, panelValue, rowsRunChoice } from './control-kinds.ts';

/** The panels by their rows that can be laid as a sheet. */
export const sheetPanels = ({ choices, materials }: Pick<BodyControlOptions, 'choices' | 'materials'>) =>
  (choices.panels ?? []).filter(
    ({ id }) => materials.hasRows(id) && isRectangular(materials.panel(id).piece),
  );

/** The controls of a sheet: what it is of, and its counts where its rows do not say them. */
export function sheetControls(make: SheetMake, options: BodyControlOptions): Control<SheetMake>[] {
  const { materials } = options;
  const like: Body =
    make.of === 'rows'
      ? panelOfSize(sheetSize(make, materials), materials.panel(make.panel).swatch, materials)
      : make;
  const [of, ...own] = bodyControls(like, options);
  if (of?.kind !== 'choice') return [];
  const choice: Control<SheetMake> = {
    kind: 'choice',
    id: of.id,
    label: of.label,
    value: make.of === 'rows' ? panelValue(make.panel) : make.of,
    options: [...of.options, ...panelOptions(sheetPanels(options))],
    set: (value) => {
      const panel = panelOfValue(value);
      if (panel === undefined) return of.set(value);
      return make.of === 'rows' && make.panel === panel ? make : { of: 'rows', panel };
    },
  };
  if (make.of !== 'rows') return [choice, ...own];
  return [
    choice,
    rowsRunChoice(
      make.upright ?? false,
      { across: 'Across', upright: 'Upright' },
      (upright): SheetMake => ({ of: 'rows', panel: make.panel, ...(upright && { upright }) }),
    ),
  ];
}
