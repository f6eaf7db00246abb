import { NotebooksScreen } from '../features/outline/NotebooksScreen';

export default function Notebooks() {
  return <NotebooksScreen openId={null} />;
}
