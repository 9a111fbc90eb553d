'use client';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { Button, ButtonGroup } from 'react-bootstrap';
import {
  displayUnit,
  formatQuantity,
  formatWithUnit,
  wordsIn,
  type QuantityKind,
  type UnitSystem,
} from '@/core/quantity';
import { UNITS_COOKIE } from './unitsCookie';

interface Units {
  /** What this browser chose, or null to follow the boat. */
  chosen: UnitSystem | null;
  choose: (system: UnitSystem) => void;
}
const UnitsContext = createContext<Units>({ chosen: null, choose: () => {} });
const HouseUnits = createContext<UnitSystem>('metric');

export function UnitsProvider({ initial, children }: { initial: UnitSystem | null; children: ReactNode }) {
  const [chosen, setChosen] = useState(initial);
  const value = useMemo<Units>(
    () => ({
      chosen,
      choose: (system) => {
        setChosen(system);
        document.cookie = `${UNITS_COOKIE}=${system}; path=/; max-age=31536000; samesite=strict`;
      },
    }),
    [chosen],
  );
  return <UnitsContext value={value}>{children}</UnitsContext>;
}

/** The units a boat is drawn in, unless this browser chose others. */
export function HouseUnitsProvider({ units, children }: { units: UnitSystem; children: ReactNode }) {
  return <HouseUnits value={units}>{children}</HouseUnits>;
}

export function useUnits() {
  const { chosen, choose } = useContext(UnitsContext);
  const house = useContext(HouseUnits);
  const system = chosen ?? house;
  return useMemo(
    () => ({
      system,
      choose,
      /** Number alone. */
      show: (value: number | null | undefined, kind: QuantityKind) => formatQuantity(value, kind, system),
      /** Number with its unit. */
      full: (value: number | null | undefined, kind: QuantityKind) => formatWithUnit(value, kind, system),
      /** A sentence of core's with its quantities in these units. */
      words: (text: string) => wordsIn(text, system),
      unit: (kind: QuantityKind) => displayUnit(kind, system).label,
    }),
    [system, choose],
  );
}

export function UnitsSwitch() {
  const { system, choose } = useUnits();
  return (
    <ButtonGroup size="sm" aria-label="Units shown">
      {(['metric', 'us'] as const).map((value) => (
        <Button
          key={value}
          variant={system === value ? 'primary' : 'outline-primary'}
          aria-pressed={system === value}
          onClick={() => choose(value)}
        >
          {value === 'metric' ? 'mm · kg' : 'in · lb'}
        </Button>
      ))}
    </ButtonGroup>
  );
}
