'use client';
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart as ChartJs,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import { Chart } from 'react-chartjs-2';
import { PALETTE } from '../palette';
import { namesBeside } from './namesBeside';

ChartJs.register(
  BarController,
  BarElement,
  CategoryScale,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  annotation,
  namesBeside,
);
ChartJs.defaults.font.family = "'IBM Plex Sans Variable', sans-serif";
ChartJs.defaults.font.size = 11;
ChartJs.defaults.color = PALETTE.soft;
ChartJs.defaults.borderColor = PALETTE.faint;
ChartJs.defaults.animation = false;
ChartJs.defaults.maintainAspectRatio = false;
// Twice the dots: a print shows them.
ChartJs.defaults.devicePixelRatio = 2;

export interface ChartCanvasProps {
  config: ChartConfiguration<'scatter'> | ChartConfiguration<'bar'>;
  label: string;
}

/** A chart; fetched apart from the screen that shows it. */
export default function ChartCanvas({ config, label }: ChartCanvasProps) {
  const { type, data, options, plugins } = config as ChartConfiguration<'scatter'>;
  return (
    <Chart type={type} data={data} options={options ?? {}} plugins={plugins ?? []} role="img" aria-label={label} />
  );
}
