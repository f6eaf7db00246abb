import type { Act } from '@glossarion/core/acts';
import type { ImportReport, PresentChoice } from '@glossarion/core/formats/markdown';
import type { ExportForm, ImportPreview, Work } from '@glossarion/core/works';
import { api, problemSentence } from '../../state/api';
import { ask, FRESH } from '../../state/store';
import { reading } from '../../state/typedDay';

/** What takes long, asked for where it is shown. */
const workQueries = api.injectEndpoints({
  endpoints: (build) => ({
    works: build.query<Work[], void>({ query: () => '/works', providesTags: ['Works'] }),
    takeOut: build.mutation<Work, { id: string; of: string | null; find?: string; form: ExportForm }>({
      query: (wish) => {
        const { order, weekBegins } = reading();
        return { url: '/exports', method: 'POST', body: { ...wish, order, weekBegins } };
      },
      invalidatesTags: ['Works'],
    }),
    serverFolders: build.query<string[], void>({ query: () => '/imports/folders', keepUnusedDataFor: 0 }),
    lookAtFolder: build.mutation<ImportPreview, { id: string; name: string }>({
      query: (body) => ({ url: '/imports/folders/looks', method: 'POST', body }),
      invalidatesTags: ['Works'],
    }),
    takeInLooked: build.mutation<ImportReport, { id: string; present: PresentChoice }>({
      query: ({ id, present }) => ({ url: `/works/${id}/takingIn`, method: 'POST', body: { present } }),
      invalidatesTags: ['Works'],
    }),
    endWork: build.mutation<void, string>({
      query: (id) => ({ url: `/works/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Works'],
    }),
    takingBack: build.query<{ acts: Act[] }, string>({
      query: (id) => `/works/${id}/takingBack`,
      keepUnusedDataFor: 0,
    }),
  }),
});

export const {
  useServerFoldersQuery,
  useLookAtFolderMutation,
  useWorksQuery,
  useTakeOutMutation,
  useTakeInLookedMutation,
  useEndWorkMutation,
} = workQueries;

/** The acts that take back what an import made. */
export const takingBack = async (id: string): Promise<Act[]> =>
  (await ask(workQueries.endpoints.takingBack.initiate(id, FRESH))).acts;

/**
 * Sends a zip, of which it is looked what it would make; why it can't be taken in, when it can't.
 *
 * @param folder what the folder is called that was picked or packed, as what stands in none of it comes to its notebook
 * @param onSent hears how much of it has arrived, of 1
 */
export function sendZip(
  id: string,
  { name, folder }: { name: string; folder: string | null },
  file: Blob,
  onSent: (share: number) => void,
): Promise<string | null> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    const asked = new URLSearchParams({ id, name: name.slice(0, 300) });
    if (folder) asked.set('notebook', folder.slice(0, 300));
    request.open('POST', `/api/imports/looks?${asked.toString()}`);
    request.setRequestHeader('Content-Type', 'application/zip');
    request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 0);
    const fail = () => resolve('The server can’t be reached. Nothing was taken in; try again when it can.');
    request.onerror = fail;
    request.onabort = fail;
    request.onload = () => {
      if (request.status < 400) return resolve(null);
      try {
        resolve(problemSentence({ data: JSON.parse(request.responseText) as unknown }));
      } catch {
        fail();
      }
    };
    request.send(file);
  });
}
