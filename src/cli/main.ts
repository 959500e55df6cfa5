import { Command } from 'commander';
import { Exit, exits } from './faultExit.ts';
import { learn, plan, solve } from './job.ts';
import { rounds } from './rounds.ts';
import { stack } from './stack.ts';

const program = new Command('margin')
  .description('Suspension set-up from files: what a machine does, how far to turn, and what is left.')
  .version(`margin ${MARGIN_VERSION}`, '--version', 'say which version this is')
  .addHelpText(
    'after',
    '\nExit codes: 0 done, 1 the program failed, 2 the input is wrong, 3 the targets are out of reach.',
  )
  .exitOverride((error) => {
    throw new Exit(error.exitCode === 0 ? exits.done : exits.badInput, '');
  });

function print(text: string): void {
  process.stdout.write(text);
}

function printJson(value: unknown): void {
  print(`${JSON.stringify(value, null, 2)}\n`);
}

const jobArgument = ['<file>', 'a job file, or - for standard input'] as const;

program
  .command('solve')
  .description('how the machine of a job stands in each load case: travels, loads, heights, margins')
  .argument(...jobArgument)
  .action((file: string) => printJson(solve(file)));

program
  .command('plan')
  .description('seat moves for a job that has been measured, what to expect of them, and what is left')
  .argument(...jobArgument)
  .action((file: string) => {
    const { answer, code } = plan(file);
    printJson(answer);
    process.exitCode = code;
  });

program
  .command('learn')
  .description('what the readings of a job have taught of its ratios, springs and loads')
  .argument(...jobArgument)
  .action((file: string) => printJson(learn(file)));

program
  .command('stack')
  .description('force, rate and events of springs one on another, against damper travel')
  .argument('<file>', 'a stack file, or - for standard input')
  .option('--step <mm>', 'damper travel between rows, mm', '5')
  .option('--format <format>', 'csv or json', 'csv')
  .action((file: string, options: { step: string; format: string }) => print(stack(file, options)));

program
  .command('rounds')
  .description('the next adjustment or stop, for each line of JSON on standard input')
  .action(async () => {
    process.exitCode = await rounds(process.stdin, process.stdout);
  });

try {
  await program.parseAsync();
} catch (error) {
  const exit =
    error instanceof Exit ? error : new Exit(exits.failed, `margin failed: ${(error as Error).message}`);
  if (exit.message) process.stderr.write(`${exit.message}\n`);
  process.exitCode = exit.code;
}
