import type { ReactNode } from 'react';

interface SettingsSectionProps {
  readonly id: string;
  readonly title: string;
  readonly text?: ReactNode;
  readonly children?: ReactNode;
}

/** One subject of the settings: what it is about on the left, what can be done on the right. */
export const SettingsSection = ({ id, title, text, children }: SettingsSectionProps) => (
  <section
    id={id}
    aria-labelledby={`${id}-title`}
    className="grid scroll-mt-16 gap-x-10 gap-y-3 border-t border-line py-7 md:grid-cols-[15rem_1fr]"
  >
    <div>
      <h2 id={`${id}-title`} className="text-xl">
        {title}
      </h2>
      {text && <p className="mt-1 text-sm text-soft">{text}</p>}
    </div>
    <div className="flex min-w-0 flex-col items-start gap-3">{children}</div>
  </section>
);
