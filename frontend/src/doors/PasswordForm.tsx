import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { type FormEvent, useState } from "react";
import { api, got, Refused, words } from "../api/client";
import { Field } from "../ui/Field";

/** Another password for who is here. */
export function PasswordForm({ done }: { done: () => void }) {
  const [old, setOld] = useState("");
  const [next, setNext] = useState("");
  const [wrong, setWrong] = useState({ old: "", next: "" });
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    try {
      await got(api.POST("/api/session/password", { body: { old, new: next } }));
      done();
    } catch (e) {
      const atNew = e instanceof Refused && e.problem.errors?.some((x) => x.at !== "old");
      setWrong(atNew ? { old: "", next: words(e) } : { old: words(e), next: "" });
    }
  };
  return (
    <Dialog open onClose={done} className="fixed inset-0 z-20 grid place-content-center bg-ink/40 p-4">
      <DialogPanel className="w-96 max-w-full border-t-4 border-accent bg-paper p-6">
        <DialogTitle className="pb-4 text-2xl font-extrabold">Another password</DialogTitle>
        <form onSubmit={submit} className="grid gap-4">
          <Field
            label="So far"
            value={old}
            set={setOld}
            wrong={wrong.old}
            complete="current-password"
            secret
          />
          <Field
            label="From now on"
            value={next}
            set={setNext}
            wrong={wrong.next}
            says="Every other device of yours is signed out."
            complete="new-password"
            secret
          />
          <div className="flex gap-x-3">
            <button type="submit" className="action bg-accent! font-bold text-white">
              Change it
            </button>
            <button type="button" className="action" onClick={done}>
              Leave it
            </button>
          </div>
        </form>
      </DialogPanel>
    </Dialog>
  );
}
