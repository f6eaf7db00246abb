import { ThemeProvider } from '@rneui/themed';
import { Slot } from 'expo-router';
import { useMemo } from 'react';
import { Provider } from 'react-redux';
import { SessionGate } from '../features/session/SessionGate';
import { Shell } from '../features/shell/Shell';
import { hearSteps } from '../kit/covers';
import { store } from '../state/store';
import { elementsTheme } from '../theme/elements';
import { applyMode, useMode } from '../theme/mode';
import { layOutFaces } from '../features/shell/faces';
import { layOutSheets } from '../features/shell/sheets';

hearSteps();
applyMode();
layOutFaces();
layOutSheets();

export default function RootLayout() {
  const mode = useMode();
  const theme = useMemo(() => elementsTheme(mode), [mode]);
  return (
    <Provider store={store}>
      <ThemeProvider key={mode} theme={theme}>
        <SessionGate>
          <Shell>
            <Slot />
          </Shell>
        </SessionGate>
      </ThemeProvider>
    </Provider>
  );
}
