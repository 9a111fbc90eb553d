'use client';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import type { ChartCanvasProps } from './ChartCanvas';

const ChartCanvas = dynamic(() => import('./ChartCanvas'), {
  ssr: false,
  loading: () => <p className="soft small m-0 p-3">Drawing the chart…</p>,
});

export interface ChartProps extends ChartCanvasProps {
  /** Class that gives it its height. */
  size: 'chart-low' | 'chart-mid' | 'chart-tall' | 'chart-long' | 'chart-square';
  /** The same in words or as a table, for whoever cannot see it. */
  children?: ReactNode;
}

/** A chart with its text alternative; the drawing code comes when the first one is shown. */
export function Chart({ size, children, ...rest }: ChartProps) {
  return (
    <figure className={`chart ${size} m-0`}>
      <div className="chart-area">
        <ChartCanvas {...rest} />
      </div>
      {children && <figcaption className="visually-hidden">{children}</figcaption>}
    </figure>
  );
}
