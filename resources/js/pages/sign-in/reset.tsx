import { Link, useForm } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Door } from './door';

export default function ResetPage({ token, email }: { token: string; email: string }) {
    const form = useForm({ token, email, password: '' });
    return (
        <Door title="Another password">
            <form
                className="flex w-full max-w-sm flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post(url('password.update'));
                }}
            >
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
                    label="New password"
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
                    Set the password
                </Button>
            </form>
            <Link className="text-sm underline" href={url('password.request')}>
                Ask for another link
            </Link>
        </Door>
    );
}
