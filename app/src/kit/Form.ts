import { later } from './later';

export type { FormAnswer, FormLine, FormProps } from './FormParts';

/** Lines that are typed and sent together; its code comes with the first form. */
export const Form = later(async () => (await import('./FormParts')).Form, true);
