import { create } from 'zustand';

/** What a press on the net does when it is laid piece by piece. */
export const NET_TOOLS = ['square', 'panel', 'fold', 'pair'] as const;
export type NetTool = (typeof NET_TOOLS)[number];

interface NetToolState {
  readonly tool: NetTool;
  /** The edge picked first, waiting for its partner. */
  readonly picked: string | undefined;
  choose(tool: NetTool): void;
  pick(edge: string | undefined): void;
}

export const useNetTool = create<NetToolState>()((set) => ({
  tool: 'square',
  picked: undefined,
  choose: (tool) => set({ tool, picked: undefined }),
  pick: (picked) => set({ picked }),
}));
