/** The charts that are drawn. */
export { default as BarChart } from 'react-native-chart-kit/bars';
