import { useEffect, useState } from 'react';

/** Writes a word of the block into the document a moment after it was typed, and at once when the field is left. */
export function useDraft(value: string, onKeep: (value: string) => void) {
  const [draft, setDraft] = useState<string | null>(null);
  useEffect(() => {
    if (draft === null) return;
    const timer = setTimeout(() => onKeep(draft), 400);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [draft]);
  return {
    value: draft ?? value,
    onChange: (event: { target: { value: string } }) => setDraft(event.target.value.replace(/\s+/gu, ' ')),
    onBlur: () => {
      if (draft !== null && draft !== value) onKeep(draft);
      setDraft(null);
    },
  };
}
