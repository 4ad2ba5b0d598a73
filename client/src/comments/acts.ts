import { api, take, type CommentsView, type CommentThread, type Edit } from '../shared/api/client';
import { troubleOf } from '../shared/api/trouble';
import { useComments, type About } from '../shared/comments';
import { useDraft } from '../shared/draft';
import { newId } from '../shared/ids';

// What is sent again after an answer that was lost has the same id, so that it is taken once.
const ids = new Map<string, string>();

/** What can be done about comments; each says whether it was taken, and what was typed stays where it was not. */
export function useCommentActs(): {
  begin: (at: About, text: string, suggested: Edit | null) => Promise<boolean>;
  answer: (thread: CommentThread, text: string) => Promise<boolean>;
  settle: (thread: CommentThread, settled: boolean, text: string) => Promise<boolean>;
  takeSuggestion: (thread: CommentThread, entry: number) => Promise<boolean>;
} {
  const comments = useComments();
  const draft = useDraft();
  async function send(what: string, work: (clientId: string) => Promise<CommentsView>): Promise<boolean> {
    comments.busy = true;
    comments.trouble = null;
    const key = `${draft.revision?.id} ${what}`;
    const clientId = ids.get(key) ?? newId();
    ids.set(key, clientId);
    try {
      await draft.settled();
      comments.view = await work(clientId);
      ids.delete(key);
      return true;
    } catch (error) {
      comments.trouble = troubleOf(error);
      if (comments.trouble.status >= 400 && comments.trouble.status < 500) ids.delete(key);
      return false;
    } finally {
      comments.busy = false;
    }
  }
  const path = (comment?: number) => ({ params: { path: { id: draft.revision!.id, comment: comment! } } });

  async function begin(at: About, text: string, suggested: Edit | null): Promise<boolean> {
    const done = await send(`new ${JSON.stringify([at, text, suggested])}`, (clientId) =>
      take(api.POST('/api/revisions/{id}/comments', { ...path(), body: { clientId, ...at, text, suggested } })),
    );
    if (done) [comments.about] = [null, comments.type('new', '')];
    return done;
  }
  async function answer(thread: CommentThread, text: string): Promise<boolean> {
    const done = await send(`answer ${thread.id} ${text}`, (clientId) =>
      take(api.POST('/api/revisions/{id}/comments/{comment}', { ...path(thread.id), body: { clientId, text, suggested: null } })),
    );
    if (done) comments.type(thread.id, '');
    return done;
  }
  async function settle(thread: CommentThread, settled: boolean, text: string): Promise<boolean> {
    const done = await send(`settle ${thread.id} ${settled} ${text}`, (clientId) =>
      take(api.POST('/api/revisions/{id}/comments/{comment}/settle', { ...path(thread.id), body: { clientId, settled, text } })),
    );
    if (done) comments.type(thread.id, '');
    return done;
  }
  async function takeSuggestion(thread: CommentThread, entry: number): Promise<boolean> {
    draft.flushAll();
    const done = await send(`take ${thread.id} ${entry}`, (clientId) =>
      take(api.POST('/api/revisions/{id}/comments/{comment}/take', { ...path(thread.id), body: { clientId, entry } })),
    );
    if (done) await draft.poll();
    return done;
  }

  return { begin, answer, settle, takeSuggestion };
}
