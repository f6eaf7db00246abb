import { useState, type ReactNode } from 'react';
import { Tap } from './Tap';

interface FoldProps {
  label: string;
  look?: string;
  children: ReactNode;
}

/** Something that is shown when it is asked for, beneath what asks. */
export function Fold({ label, look, children }: FoldProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Tap look={`kit-fold ${look ?? ''}`} aria-expanded={isOpen} onPress={() => setOpen(!isOpen)}>
        {label}
      </Tap>
      {isOpen && children}
    </>
  );
}
