import { useEffect, useRef, useState } from 'react';
import { newId } from '@glossarion/core/document';
import { isRead, READ_ENDINGS } from '@glossarion/core/formats/incoming/endings';
import type { ImportRemark } from '@glossarion/core/formats/markdown';
import { Box } from '../../kit/Box';
import { Button } from '../../kit/Button';
import { count } from '../../kit/count';
import { Progress } from '../../kit/Progress';
import { useDroppedFiles } from '../../kit/useDroppedFiles';
import { Line, Words } from '../../kit/Words';
import { takeHanded } from '../../state/handed';
import { pickFiles, pickFolder } from '../../state/upload';
import { colour } from '../../theme/tokens';
import { packFolder } from './packFolder';
import { sendZip } from './queries';
import { Remarks } from './Remarks';
import { ServerFolders } from './ServerFolders';

const isZip = ({ name }: File): boolean => /\.zip$/iu.test(name);

/** Takes in a folder, files or a zip; what they would make is listed with what else takes long. */
export function TakeIn() {
  const place = useRef<HTMLElement>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [leftOut, setLeftOut] = useState<ImportRemark[]>([]);
  /** What the browser reads or sends, and how far it has come. */
  const [doing, setDoing] = useState<{ words: string; share: number } | null>(null);

  const send = async (
    name: string,
    folder: string | null,
    pack: () => Promise<{ archive: Blob; notRead: ImportRemark[] }>,
  ) => {
    setTrouble(null);
    setLeftOut([]);
    try {
      const { archive, notRead } = await pack();
      setLeftOut(notRead);
      const words = `Sending ${name}`;
      setDoing({ words, share: 0 });
      setTrouble(await sendZip(newId(), { name, folder }, archive, (share) => setDoing({ words, share })));
    } catch {
      setTrouble('The files could not be read. Nothing was taken in.');
    } finally {
      setDoing(null);
    }
  };
  const takeFiles = async (picked: readonly File[]) => {
    if (picked.length === 0) return;
    if (!picked.some(({ name }) => isRead(name))) {
      setTrouble('There is no file among these that notes are read from. Nothing was taken in.');
      return;
    }
    setDoing({ words: `Reading ${count(picked.length, 'file')}`, share: 0 });
    await send(nameOf(picked), folderOf(picked), () => packFolder(picked));
  };
  const takeAny = async (files: readonly File[]) => {
    const zips = files.filter(isZip);
    for (const zip of zips) {
      const packed = { archive: zip, notRead: [] };
      await send(zip.name, zip.name.replace(/\.zip$/iu, ''), () => Promise.resolve(packed));
    }
    await takeFiles(files.filter((file) => !isZip(file)));
  };
  useDroppedFiles(place, (files) => void takeAny(files));
  // What was picked on another screen.
  const latest = useRef(takeAny);
  latest.current = takeAny;
  useEffect(() => void latest.current(takeHanded()), []);

  return (
    <Box ref={place as never}>
      <Line look="works-says">
        A folder, files or a zip: Markdown, HTML, text, outlines (OPML), tables (CSV), cards of persons (vCard),
        calendars, and what was taken out of Glossarion. Folders become notebooks and sections, files pages, and links
        between files links. First it is shown what would be made.
      </Line>
      {doing && doing.share === 0 && (
        <Words role="status" size={15} tone={colour.soft} style={{ paddingBottom: 8 }}>
          {doing.words}
        </Words>
      )}
      {doing && doing.share > 0 && <Progress label={doing.words} share={doing.share} words="sent" />}
      <Box look="works-buttons">
        <Button
          label="Choose a folder"
          isBusy={doing !== null}
          onPress={() => void pickFolder().then((files) => takeFiles(files))}
        />
        <Button
          label="Choose files"
          isBusy={doing !== null}
          onPress={() => void pickFiles(`.zip,${READ_ENDINGS}`).then(takeAny)}
        />
      </Box>
      <ServerFolders />
      {trouble && (
        <Words role="alert" tone={colour.vermilion} style={{ paddingTop: 8 }}>
          {trouble}
        </Words>
      )}
      <Remarks remarks={leftOut} />
    </Box>
  );
}

/** The folder that was picked; null for files by themselves. */
const folderOf = ([first]: readonly File[]): string | null => first!.webkitRelativePath.split('/')[0] || null;

/** What was picked is called: the folder, or the first file. */
const nameOf = (picked: readonly File[]): string => {
  const [first, ...others] = picked;
  return folderOf(picked) ?? (others.length > 0 ? `${first!.name} and ${count(others.length, 'other')}` : first!.name);
};
