import { fireEvent, render, screen } from '@testing-library/react-native';
import { Button, ThemeProvider } from '@rneui/themed';
import { elementsTheme } from '../theme/elements';
import { Action } from './Action';

test('a quiet button says its verb and does it once', () => {
  const press = jest.fn();
  render(<Action label="Bring back" onPress={press} />);
  fireEvent.press(screen.getByRole('button'));
  expect(screen.getByText('Bring back')).toBeTruthy();
  expect(press).toHaveBeenCalledTimes(1);
});

test.each(['light', 'dark'] as const)('the elements’ theme draws a button in the %s palette', (mode) => {
  render(
    <ThemeProvider theme={elementsTheme(mode)}>
      <Button title="Sign in" />
    </ThemeProvider>,
  );
  expect(screen.getByText('Sign in')).toBeTruthy();
});
