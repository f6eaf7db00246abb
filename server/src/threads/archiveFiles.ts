import { archiveText, type ArchivedText } from './archivedText';
import { writeFiles, type FilesToWrite } from './writeFiles';

/** Writes pages in one form, packed for an archive; in the order of the files. */
export const archiveFiles = (files: FilesToWrite): ArchivedText[] => writeFiles(files).map(archiveText);
