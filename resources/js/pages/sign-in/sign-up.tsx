import { Link, useForm } from '@inertiajs/react';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Entry } from '@/shared/ui/entry';
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
                    <Entry form={form} of="name" kind="name" />
                    <Entry form={form} of="email" kind="email" />
                    <Entry form={form} of="password" kind="newPassword" />
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
