import { create } from 'zustand';
import type { QuantityName } from './quantity.ts';

/** The number field that was last worked in: what an instrument reads goes there. */
interface FieldInHand {
  label: string;
  quantity: QuantityName;
  /** Takes a text as if it had been typed there, commits it, and goes on to the next field. */
  put: (text: string) => void;
}

export const useFieldInHand = create<{ field: FieldInHand | null }>()(() => ({ field: null }));
