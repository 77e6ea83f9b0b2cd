import { create } from 'zustand';

/** Ways of looking at the drawings. */
export const EYES = ['plain', 'squint', 'protan', 'deutan', 'tritan'] as const;
export type Eye = (typeof EYES)[number];

export const EYE_WORDS: Record<Eye, { readonly name: string; readonly about: string }> = {
  plain: { name: 'As it is', about: '' },
  squint: {
    name: 'Squint',
    about:
      'Lightness only, blurred, as through half-closed eyes: what runs together here runs together on the bag.',
  },
  protan: { name: 'No red', about: 'As seen without red cones (protanopia).' },
  deutan: { name: 'No green', about: 'As seen without green cones (deuteranopia), the most frequent kind.' },
  tritan: { name: 'No blue', about: 'As seen without blue cones (tritanopia).' },
};

interface Looking {
  readonly eye: Eye;
  look(eye: Eye): void;
}

export const useEye = create<Looking>()((set) => ({ eye: 'plain', look: (eye) => set({ eye }) }));

/**
 * What each eye makes of linear red, green and blue, row by row: the published physiologically based model of 2009 for cones
 * that are missing altogether.
 */
export const DEFICIENT: Record<'protan' | 'deutan' | 'tritan', readonly number[]> = {
  protan: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  deutan: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  tritan: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
};
