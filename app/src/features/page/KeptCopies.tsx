import { newId } from '@glossarion/core/document';
import { useShelf } from '../../documents/session';
import { open } from '../shell/navigation';

/** Text written on this page that could not be stored, kept in this browser until the person has dealt with it. */
export function KeptCopies({ pageId }: { pageId: string }) {
  const { keptCopies, dropKept } = useShelf();
  const here = keptCopies.filter((copy) => copy.pageId === pageId);
  return (
    <>
      {here.map((copy) => (
        <section key={copy.id ?? newId()} className="kept-copy" aria-label="Kept copy">
          <p className="kept-copy-said">
            What was written here could not be stored: {copy.reason} Nothing of it is lost; this is what was written:
          </p>
          <pre>{copy.text}</pre>
          <button type="button" onClick={() => void navigator.clipboard.writeText(copy.text)}>
            Copy it
          </button>
          <button type="button" onClick={() => void (copy.id !== undefined && dropKept(copy.id))}>
            Throw it away
          </button>
          <button type="button" onClick={() => open('/today')}>
            Open Today
          </button>
        </section>
      ))}
    </>
  );
}
