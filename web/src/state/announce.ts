import { create } from 'zustand';

/** What a screen reader is told, one sentence at a time. */
export const useAnnounced = create<{ readonly text: string }>()(() => ({ text: '' }));

export const announce = (text: string): void => useAnnounced.setState({ text });
