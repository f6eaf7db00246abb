import { ThemeProvider } from '@rneui/themed';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { elementsTheme } from '../theme/elements';
import { Form, type FormProps } from './FormParts';

const needed = (typed: string) => (typed.trim() === '' ? 'A name is needed.' : null);

const show = (props: Partial<FormProps>) =>
  render(
    <ThemeProvider theme={elementsTheme('light')}>
      <Form
        lines={[
          { name: 'name', label: 'Name', rule: needed },
          { name: 'line', label: 'Described in a line', initial: 'Books.' },
        ]}
        action="Make notebook"
        onSubmit={async () => null}
        {...props}
      />
    </ThemeProvider>,
  );

test('what is wrong is said at its line, and nothing is sent', async () => {
  const onSubmit = jest.fn(async () => null);
  show({ onSubmit });
  fireEvent.press(screen.getByText('Make notebook'));
  expect(await screen.findByText('A name is needed.')).toBeTruthy();
  expect(onSubmit).not.toHaveBeenCalled();
});

test('what was typed is sent by the names of its lines; a refusal is said and what was typed stays', async () => {
  const onSubmit = jest.fn(async () => ({ words: 'That name is taken.', isTrouble: true }));
  show({ onSubmit });
  fireEvent.changeText(screen.getByLabelText('Name'), 'Reading');
  fireEvent.press(screen.getByText('Make notebook'));
  expect(await screen.findByRole('alert')).toHaveTextContent('That name is taken.');
  expect(onSubmit).toHaveBeenCalledWith({ name: 'Reading', line: 'Books.' });
  expect(screen.getByLabelText('Name').props.value).toBe('Reading');
});

test('what was done empties the form and says so', async () => {
  show({ onSubmit: async () => ({ words: 'It is changed.', isTrouble: false }) });
  fireEvent.changeText(screen.getByLabelText('Name'), 'Reading');
  fireEvent.press(screen.getByText('Make notebook'));
  expect(await screen.findByText('It is changed.')).toBeTruthy();
  expect(screen.getByLabelText('Name').props.value).toBe('');
});
