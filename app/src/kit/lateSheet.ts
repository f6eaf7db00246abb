import { whenAtRest } from './atRest';

let asked: Promise<void> | null = null;

/** The style sheet of what no first screen shows (features/shell/sheets): asked for once, and waited for by whoever shows some of it. */
export function lateSheet(): Promise<void> {
  asked ??= new Promise((resolve) => {
    const address = document.querySelector<HTMLMetaElement>('meta[name=late]')?.content;
    if (!address) return resolve();
    const link = document.createElement('link');
    link.rel = 'stylesheet';
    link.href = address;
    link.onload = () => resolve();
    // Whoever shows it later asks again.
    link.onerror = () => {
      asked = null;
      link.remove();
      resolve();
    };
    document.head.append(link);
  });
  return asked;
}

whenAtRest(() => void lateSheet());
