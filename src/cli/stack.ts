import { eventWords } from '#words/stackEvents.ts';
import Papa from 'papaparse';
import { readStackFile, stackTable, type StackTable } from '#core/document/stackFile.ts';
import { Exit, exits, faultExit } from './faultExit.ts';
import { readJson } from './readJson.ts';

export interface StackOptions {
  step: string;
  format: string;
}

/** A stack file's table as CSV or JSON text. */
export function stack(file: string, options: StackOptions): string {
  const stepMm = Number(options.step);
  if (!(stepMm >= 0.1 && stepMm <= 500))
    throw new Exit(
      exits.badInput,
      `--step: got ${options.step}, expected mm of damper travel from 0.1 to 500`,
    );
  if (!['csv', 'json'].includes(options.format))
    throw new Exit(exits.badInput, `--format: got ${options.format}, expected csv or json`);
  const read = readStackFile(readJson(file));
  if (!read.ok) throw faultExit(file, read.faults);
  const table = stackTable(read.value, stepMm);
  if (options.format === 'json') return `${JSON.stringify(named(table), null, 2)}\n`;
  return csv(table);
}

/** The table with its events in words beside their codes. */
function named({ events, ...rest }: StackTable) {
  const told = events.map((event) => {
    const { kind, index, compressionMm, damperMm } = event;
    return { kind, index, compressionMm, damperMm, name: eventWords(event) };
  });
  return { ...rest, events: told };
}

function csv({ rows, events }: StackTable): string {
  const near = rows.map(({ damperMm }, i) => {
    const next = rows[i + 1]?.damperMm ?? Infinity;
    return events.filter((event) => event.damperMm >= damperMm - 1e-9 && event.damperMm < next - 1e-9);
  });
  const lines = rows.map(({ damperMm, forceN, rateNPerMm, energyJ, springsMm }, i) => ({
    damper_mm: round(damperMm, 3),
    force_N: round(forceN, 2),
    rate_N_per_mm: round(rateNPerMm, 3),
    energy_J: round(energyJ, 3),
    ...Object.fromEntries(springsMm.map((mm, k) => [`spring_${k + 1}_mm`, round(mm, 3)])),
    event: near[i]?.map((event) => `${eventWords(event)} at ${round(event.damperMm, 1)} mm`).join('; ') ?? '',
  }));
  return `${Papa.unparse(lines, { newline: '\n', escapeFormulae: true })}\n`;
}

function round(value: number, digits: number): number {
  return Number(value.toFixed(digits));
}
