import { Section } from './Section.tsx';

/** Which Margin this is, and what it is made of. */
export function ProgramSection() {
  return (
    <Section id="program" title="The program">
      <p className="mt-2">
        Margin {MARGIN_VERSION}.{' '}
        <a className="text-action font-semibold underline underline-offset-4" href="/licences.md">
          Licences of the packages in it
        </a>
      </p>
    </Section>
  );
}
