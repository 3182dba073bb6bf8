import { Field } from './field';

/** What a form knows of one of its fields. */
type Form<K extends string> = {
    data: Record<K, string>;
    errors: Partial<Record<K, string>>;
    setData: (key: K, value: string) => void;
};

const KINDS = {
    name: { label: 'Name', type: 'text', autoComplete: 'name' },
    email: { label: 'E-mail', type: 'email', autoComplete: 'username' },
    password: { label: 'Password', type: 'password', autoComplete: 'current-password' },
    newPassword: { label: 'Password', type: 'password', autoComplete: 'new-password', minLength: 10 },
} as const;

/** A field of who one is or how one gets in, bound to its form. */
export function Entry<K extends string>({
    form,
    of,
    kind,
    label,
    hint = kind === 'newPassword' ? 'At least 10 characters.' : undefined,
    optional = false,
}: {
    form: Form<K>;
    of: K;
    kind: keyof typeof KINDS;
    /** Where it is called otherwise than usual. */
    label?: string;
    hint?: string | undefined;
    optional?: boolean;
}) {
    return (
        <Field
            {...KINDS[kind]}
            label={label ?? KINDS[kind].label}
            hint={hint}
            required={!optional}
            value={form.data[of]}
            error={form.errors[of]}
            onChange={(event) => {
                form.setData(of, event.target.value);
            }}
        />
    );
}
