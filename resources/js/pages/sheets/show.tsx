import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { capital, many, one } from '@/shared/lib/format';
import { reloaded } from '@/shared/lib/reloaded';
import { isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useTask } from '@/shared/lib/use-task';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { TaskBar } from '@/shared/ui/task-bar';
import { Term } from '@/shared/ui/term';
import type { PotProps, SheetFieldProps, SheetPhotoProps, SheetReviewProps, TaskProps } from '@/types/generated';
import { PhotoButtons } from './photo-buttons';
import { sendPhoto } from './send-photo';
import { Review } from './review';

export type SheetPage = {
    sheet: { id: number; paper: string; grey: number; createdAt: string };
    white: PotProps | null;
    fields: SheetFieldProps[];
    photos: SheetPhotoProps[];
    review: SheetReviewProps | null;
};

/** One printed sheet: its photos, and what they say of the pots. */
export default function SheetPage(props: SheetPage) {
    const page = useSheet(props);
    const { sheet, fields, photos, review } = props;
    return (
        <Shell title={`Swatch sheet ${sheet.id}`}>
            <div
                className="flex flex-col gap-4"
                onDragOver={(event) => {
                    event.preventDefault();
                }}
                onDrop={(event) => {
                    event.preventDefault();
                    const file = event.dataTransfer.files[0];
                    if (file) void page.add(() => sendPhoto(sheet.id, file));
                }}
            >
                <Head {...props} page={page} />
                {page.message !== null && <Notice strong>{page.message}</Notice>}
                {photos.length === 0 && <Instructions {...props} />}
                <Photos sheetId={sheet.id} photos={photos} shown={review?.photoId ?? null} page={page} />
                {review !== null && (
                    <Review
                        key={review.photoId}
                        sheetId={sheet.id}
                        fields={fields}
                        review={review}
                        keptAt={photos.find((photo) => photo.id === review.photoId)?.keptAt ?? null}
                        onKeep={page.keep}
                    />
                )}
            </div>
        </Shell>
    );
}

type SheetState = ReturnType<typeof useSheet>;

function useSheet({ sheet, photos, review }: SheetPage) {
    const { message, setMessage, attempt } = useAttempt();
    const begun = photos.find((photo) => photo.task !== null && isOpen(photo.task))?.task ?? null;
    const [heard, setHeard] = useState<TaskProps | null>(null);
    // The page is asked for anew once a photo is read, and knows more than what was heard of it.
    const reading = begun !== null && heard?.id === begun.id ? heard : begun;
    const { gone, stop } = useTask(begun, (now) => {
        setHeard(now);
        if (!isOpen(now)) router.reload();
    });

    const add = (act: () => Promise<SheetPhotoProps>) =>
        attempt(async () => {
            await act();
            await reloaded({ data: { photo: '' } });
            return null;
        });
    const forget = (id: number) =>
        attempt(async () => {
            await send('DELETE', url('sheets.forget', { sheet: sheet.id, photo: id }));
            await reloaded();
            return null;
        });
    const keep = (positions: number[]) =>
        attempt(async () => {
            if (!review) return null;
            const answer = await send<{ message: string }>(
                'POST',
                url('sheets.keep', { sheet: sheet.id, photo: review.photoId }),
                { positions },
            );
            await reloaded();
            return answer;
        });
    const setGrey = (grey: number) => attempt(() => send('PATCH', url('sheets.update', { sheet: sheet.id }), { grey }));
    return { message, setMessage, add, forget, keep, setGrey, reading, gone, stop };
}

function Head({ sheet, fields, page }: SheetPage & { page: SheetState }) {
    return (
        <header className="flex flex-wrap items-end gap-3">
            <div className="mr-auto">
                <p className="text-xs text-quiet">
                    <Link href={url('sheets')} className="underline underline-offset-2">
                        Swatch sheets
                    </Link>
                </p>
                <h1 className="text-2xl">
                    Sheet {sheet.id}{' '}
                    <span className="text-sm font-normal text-quiet">{many(fields.length, 'field')}</span>
                </h1>
            </div>
            <Grey grey={sheet.grey} onGrey={page.setGrey} />
            <a
                href={url('sheets.print', { sheet: sheet.id })}
                target="_blank"
                rel="noreferrer"
                className="inline-flex min-h-10 items-center rounded-sm border border-strong bg-raised px-3 text-sm font-medium hover:border-ink"
            >
                Print (PDF)
            </a>
            <PhotoButtons sheetId={sheet.id} onAdd={page.add} />
            <Button
                look="quiet"
                onClick={() => {
                    if (window.confirm('Delete this sheet and its photos? What was used of it stays with the pots.'))
                        router.delete(url('sheets.destroy', { sheet: sheet.id }));
                }}
            >
                Delete
            </Button>
        </header>
    );
}

function Grey({ grey, onGrey }: { grey: number; onGrey: (grey: number) => unknown }) {
    return (
        <Field
            label="Grey card, %"
            className="w-28"
            inputMode="decimal"
            defaultValue={String(Math.round(1000 * grey) / 10)}
            onBlur={(event) => {
                const value = Number(event.target.value.replace(',', '.')) / 100;
                if (value !== grey) onGrey(value);
            }}
        />
    );
}

function Instructions({ white, fields }: SheetPage) {
    return (
        <ol className="max-w-prose list-decimal pl-6 text-base">
            <li>Print the sheet at 100 %.</li>
            <li>Brush one coat of each of the {many(fields.length, 'pot')} over black and paper.</li>
            <li>
                A thick blob into the upper box
                {white === null ? '' : `, one drop in five of ${white.name} into the lower one`}.
            </li>
            <li>
                When it is dry, lay a grey card or a <Term name="chart" /> of 24 patches on its place and photograph the
                whole sheet.
            </li>
        </ol>
    );
}

function Photos({
    sheetId,
    photos,
    shown,
    page,
}: {
    sheetId: number;
    photos: SheetPhotoProps[];
    shown: number | null;
    page: SheetState;
}) {
    if (photos.length === 0) return null;
    return (
        <ul className="flex flex-col gap-1" aria-label="Photos">
            {photos.map((photo, n) => (
                <li key={photo.id} className="flex flex-wrap items-center gap-3 border-b border-line py-1 text-sm">
                    <span className="font-medium">Photo {n + 1}</span>
                    <span className="text-quiet">
                        {new Date(photo.addedAt).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}
                    </span>
                    <PhotoState photo={photo} page={page} />
                    {photo.isRead &&
                        (photo.id === shown ? (
                            <span aria-current="true">shown below</span>
                        ) : (
                            <Link
                                href={`${url('sheets.show', { sheet: sheetId })}?photo=${photo.id}`}
                                className="underline underline-offset-4"
                            >
                                Show
                            </Link>
                        ))}
                    <Button
                        look="quiet"
                        size="small"
                        className="ml-auto"
                        onClick={() => {
                            void page.forget(photo.id);
                        }}
                    >
                        Delete photo {n + 1}
                    </Button>
                </li>
            ))}
        </ul>
    );
}

function PhotoState({ photo, page }: { photo: SheetPhotoProps; page: SheetState }) {
    const { reading, gone, stop } = page;
    const task = reading !== null && photo.task?.id === reading.id ? reading : photo.task;
    if (task !== null && isOpen(task)) return <TaskBar task={task} gone={gone} onStop={stop} />;
    if (!photo.isRead)
        return (
            <span role="alert" className="font-medium">
                {task?.problem ?? 'Stopped. Nothing was changed.'}
            </span>
        );
    return <span>{photo.keptAt === null ? 'read, nothing used yet' : 'used'}</span>;
}

export const expectedWords = (review: SheetReviewProps) =>
    `${capital(review.isChart ? 'read with the chart' : 'read with the grey card')}: half of the colours within ΔE ${one(review.half)}, nineteen of twenty within ${one(review.most)} (estimate).`;
