import { useCallback } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keptStorage } from '../../api/keeping.ts';

interface Speech {
  on: boolean;
  toggle: () => void;
}

const useSpeechSetting = create<Speech>()(
  persist((set) => ({ on: false, toggle: () => set(({ on }) => ({ on: !on })) }), {
    name: 'margin-speech',
    storage: keptStorage(),
  }),
);

/** The browser's own voice, where it has one and the reader wants it; silent otherwise. */
export function useSpeech() {
  const { on, toggle } = useSpeechSetting();
  const speaks = typeof window !== 'undefined' && 'speechSynthesis' in window;
  const say = useCallback(
    (words: string) => {
      if (!speaks || !on) return;
      window.speechSynthesis.cancel();
      window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
    },
    [speaks, on],
  );
  return { say, speaks, on, toggle };
}
