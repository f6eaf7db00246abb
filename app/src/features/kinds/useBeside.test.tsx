/** @jest-environment jsdom */
import { useLayoutEffect } from 'react';
import { createRoot } from 'react-dom/client';
import { writeField } from '@glossarion/core/document';
import { PageDocument } from '../../documents/pageDocument';
import { Box } from '../../kit/Box';
import { useBeside } from './useBeside';

// Drawn as a browser draws it: what is due once it is drawn comes in its own time.
beforeAll(() => Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }));

const FIELD = '01a228ee-3674-75d8-8eb4-af6685d5ad57';

function Fields({ page }: { page: PageDocument }) {
  const { fields } = useBeside(page);
  return <Box>{Object.keys(fields).length === 0 ? 'nothing' : 'filled in'}</Box>;
}

/** What the server has arrives when the fields were drawn and are not listened to yet. */
function Arriving({ page }: { page: PageDocument }) {
  useLayoutEffect(() => writeField(page.document, FIELD, { atom: 'tomas@wren.example' }), [page]);
  return <Fields page={page} />;
}

test('what comes while the fields of a page are being drawn is shown', async () => {
  const page = new PageDocument('01a228ee-3674-75d8-8eb4-a2c04a5f4705', null);
  const place = document.createElement('div');
  const root = createRoot(place);
  root.render(<Arriving page={page} />);
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(place.textContent).toBe('filled in');
  root.unmount();
});
