/** docs/findings.md as text: the codes with their meanings, then every pair of situations. */
export function findingsDocument(codes, groups) {
  const list = (title, meanings) => [
    `## ${title}`,
    '',
    ...Object.entries(meanings).map(([code, meaning]) => `- \`${code}\`: ${meaning}`),
    '',
  ];
  const plain = (text) => text.replaceAll('|', '\\|');
  const table = ([title, pairs]) => [
    `### ${title}`,
    '',
    '| situation | what is measured | must be said, and not of its twin | never |',
    '| --- | --- | --- | --- |',
    ...pairs.map(
      ({ name, measured, said, never = [] }) =>
        `| ${plain(name)} | ${plain(measured)} | ${said.map((one) => `\`${one}\``).join(' ')} | ${never.map((one) => `\`${one}\``).join(' ')} |`,
    ),
    '',
  ];
  return [
    '# What Margin says of a machine',
    '',
    'Made by `node scripts/findings-doc.mjs`; a test keeps it as it is made. `margin plan` and the page read one list of findings.',
    'Each has a code, a severity (`stop`, `warn`, `hint`), `when` it holds (`now`, `after` the plan, `both`), its `evidence` and its',
    '`remedies`, each tried on the machine. While a `stop` is open `margin plan` ends with exit code 3.',
    '',
    ...list('Findings', codes.findingMeanings),
    ...list('What runs out (`run-out`)', codes.marginTitles),
    ...list('Why a target is not reached (`unreachable`)', codes.reasonMeanings),
    ...list('Entries that cannot all be so (`contradiction`)', codes.contradictionMeanings),
    ...list('What may be wrong (`doubt`)', codes.doubtMeanings),
    ...list('What a verdict on a spring needs (`spring-untold`)', codes.missingMeanings),
    ...list('Points open before it is finished', codes.openMeanings),
    ...list('Remedies', codes.remedyMeanings),
    '## Situations',
    '',
    'Each has a twin that differs in the one fact named: nothing that must be said of the first may be said of the twin. `!` is a finding that stops,',
    '`open:` a point open before it is finished, `remedy:` a remedy, `next:` what is next.',
    '',
    ...Object.entries(groups).flatMap(table),
  ].join('\n');
}
