import { sizeTable } from '../../fit/index.ts';
import { type Check, differ } from './check.ts';

/** Strands by their sections and hooks by their thickness, on swatches that were never counted. */
export const gauge: Check = {
  name: 'Gauge by yarn and hook',
  how: 'an uncounted swatch with one to six strands and hooks in step: stitches as thick as the strands’ sections together; another hook alone moves the gauge that way, by less than itself',
  of({ document }) {
    const [swatch] = document.swatches;
    if (!swatch) return [];
    const pitch = (strands: number, hook: number) =>
      sizeTable({
        ...document,
        swatches: [{ ...swatch, strands, hook, stitches: undefined, rows: undefined, blocked: undefined }],
      }).pitch(swatch.id).value;
    const { hook } = swatch;
    const single = pitch(1, hook);
    const strands = [2, 3, 4, 5, 6].flatMap((many) => {
      const thicker = Math.sqrt(many);
      return differ(`${many} strands`, pitch(many, hook * thicker) / single, thicker, 1e-6);
    });
    const grows = pitch(1, hook * 1.2) / single;
    return [
      ...strands,
      ...(grows > 1.05 && grows < 1.2
        ? []
        : [`A hook a fifth thicker makes stitches ${grows.toFixed(3)} times as large`]),
    ];
  },
};
