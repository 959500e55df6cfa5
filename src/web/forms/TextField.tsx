import { useId } from 'react';
import { useDrafts } from '../jobStore/drafts.ts';

interface Props {
  label: string;
  hideLabel?: boolean;
  value: string;
  /** Names the field for its draft: what is typed survives a reload. */
  draftKey: string;
  maxLength: number;
  /** Left empty, the field goes back to what it was. */
  required?: boolean;
  placeholder?: string;
  onCommit: (value: string) => void;
}

/** A line of text, kept when the field is left or Enter is pressed. */
export function TextField({
  label,
  hideLabel = false,
  value,
  draftKey,
  maxLength,
  required = false,
  placeholder,
  onCommit,
}: Props) {
  const id = useId();
  const draft = useDrafts((state) => state.drafts[draftKey]);
  const { setDraft, clearDraft } = useDrafts.getState();
  const commit = () => {
    const typed = useDrafts.getState().drafts[draftKey];
    if (!typed) return;
    clearDraft(draftKey);
    const text = typed.text.trim();
    if (text !== value && !(required && text === '')) onCommit(text);
  };
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'label text-second block'}>
        {label}
      </label>
      <input
        id={id}
        data-dirty={draft !== undefined}
        value={draft?.text ?? value}
        maxLength={maxLength}
        placeholder={placeholder}
        autoComplete="off"
        onChange={(event) => setDraft(draftKey, { text: event.target.value, value: null })}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') clearDraft(draftKey);
        }}
        className="border-second/70 focus:border-action placeholder:text-second h-9 w-full border-b bg-transparent px-0.5 outline-none"
      />
    </div>
  );
}
