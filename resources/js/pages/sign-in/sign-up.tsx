import { Link, useForm } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Door } from './door';

type Props = { invitation: string | null; isOpen: boolean };

export default function SignUpPage({ invitation, isOpen }: Props) {
    const form = useForm({ name: '', email: '', password: '', invitation });
    return (
        <Door title="Create an account">
            {isOpen ? (
                <form
                    className="flex w-full max-w-sm flex-col gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        form.post(url('sign-up.store'));
                    }}
                >
                    <Field
                        label="Name"
                        autoComplete="name"
                        required
                        value={form.data.name}
                        error={form.errors.name}
                        onChange={(event) => {
                            form.setData('name', event.target.value);
                        }}
                    />
                    <Field
                        label="E-mail"
                        type="email"
                        autoComplete="username"
                        required
                        value={form.data.email}
                        error={form.errors.email}
                        onChange={(event) => {
                            form.setData('email', event.target.value);
                        }}
                    />
                    <Field
                        label="Password"
                        type="password"
                        autoComplete="new-password"
                        required
                        minLength={10}
                        hint="At least 10 characters."
                        value={form.data.password}
                        error={form.errors.password}
                        onChange={(event) => {
                            form.setData('password', event.target.value);
                        }}
                    />
                    <Button type="submit" look="main" disabled={form.processing}>
                        Create the account
                    </Button>
                </form>
            ) : (
                <p className="max-w-sm">
                    {invitation === null
                        ? 'Sign-up is closed here. Ask whoever runs this Hyalin for an invitation.'
                        : 'This invitation was used or has expired. Ask for another one.'}
                </p>
            )}
            <Link className="text-sm underline" href={url('sign-in')}>
                Sign in
            </Link>
        </Door>
    );
}
