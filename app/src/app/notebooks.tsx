import { later } from '../kit/later';

const NotebooksScreen = later(async () => (await import('../features/outline/outlineParts')).NotebooksScreen);

export default function Notebooks() {
  return <NotebooksScreen openId={null} />;
}
