import { create } from 'zustand';

/** What a click on the picture does. */
export type Tool =
  | { readonly kind: 'none' }
  | { readonly kind: 'route'; readonly tapeId: string }
  | { readonly kind: 'light'; readonly groupId: string }
  | { readonly kind: 'end'; readonly guideId: string };

interface ToolState {
  readonly tool: Tool;
  /** The thing that the sheet or a finding points at. */
  readonly pointedId: string | null;
}

/** What is in the maker's hand, and what is pointed at. */
export const useTool = create<ToolState>()(() => ({ tool: { kind: 'none' }, pointedId: null }));

/** Takes a tool in hand, or lays it down. */
export const tool = {
  take: (taken: Tool): void => useTool.setState({ tool: taken }),
  layDown: (): void => useTool.setState({ tool: { kind: 'none' } }),
  pointAt: (pointedId: string | null): void => useTool.setState({ pointedId }),
};
