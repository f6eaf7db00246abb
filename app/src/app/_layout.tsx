import { ThemeProvider } from '@rneui/themed';
import { Slot } from 'expo-router';
import { useMemo } from 'react';
import { Provider } from 'react-redux';
import { begin } from '../features/session/begin';
import { SessionGate } from '../features/session/SessionGate';
import { Shell } from '../features/shell/Shell';
import { hearSteps } from '../kit/covers';
import { store } from '../state/store';
import { elementsTheme } from '../theme/elements';
import { applyMode, useMode } from '../theme/mode';
import { layOutFaces } from '../features/shell/faces';

begin();
hearSteps();
applyMode();
layOutFaces();

export default function RootLayout() {
  const mode = useMode();
  const theme = useMemo(() => elementsTheme(mode), [mode]);
  return (
    <Provider store={store}>
      <ThemeProvider theme={theme}>
        <SessionGate>
          <Shell>
            <Slot />
          </Shell>
        </SessionGate>
      </ThemeProvider>
    </Provider>
  );
}
