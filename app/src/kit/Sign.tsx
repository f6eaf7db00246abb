import ArrowDown from 'lucide-react/icons/arrow-down';
import ArrowUp from 'lucide-react/icons/arrow-up';
import Bold from 'lucide-react/icons/bold';
import Brackets from 'lucide-react/icons/brackets';
import Clock from 'lucide-react/icons/clock';
import Code from 'lucide-react/icons/code';
import Highlighter from 'lucide-react/icons/highlighter';
import Indent from 'lucide-react/icons/list-indent-increase';
import Italic from 'lucide-react/icons/italic';
import Outdent from 'lucide-react/icons/list-indent-decrease';
import Plus from 'lucide-react/icons/plus';
import Redo from 'lucide-react/icons/redo-2';
import SquareCheck from 'lucide-react/icons/square-check';
import Strike from 'lucide-react/icons/strikethrough';
import Trash from 'lucide-react/icons/trash-2';
import Underline from 'lucide-react/icons/underline';
import Undo from 'lucide-react/icons/undo-2';

/** The signs of toolbars, of one set; the ¶ and the ornaments are our own. */
const SIGNS = {
  bold: Bold,
  code: Code,
  delete: Trash,
  down: ArrowDown,
  highlight: Highlighter,
  indent: Indent,
  insert: Plus,
  italic: Italic,
  link: Brackets,
  outdent: Outdent,
  redo: Redo,
  strike: Strike,
  time: Clock,
  todo: SquareCheck,
  underline: Underline,
  undo: Undo,
  up: ArrowUp,
};

export type SignName = keyof typeof SIGNS;

/** A sign, as large as the letters beside it; what it stands for is said by what bears it. */
export function Sign({ name }: { name: SignName }) {
  const Drawn = SIGNS[name];
  return <Drawn className="sign" size="1.35em" strokeWidth={1.7} aria-hidden />;
}
