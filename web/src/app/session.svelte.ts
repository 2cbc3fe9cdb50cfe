import { api, fetchMe, messageOf } from "./api";

/** Who is signed in and which page is shown. The address holds the page: #/ or #/plan/ID. */
class Session {
  name = $state<string | null>(null);
  ready = $state(false);
  page = $state(location.hash);

  constructor() {
    addEventListener("hashchange", () => (this.page = location.hash));
  }

  get planId() {
    return /^#\/plan\/([0-9a-f-]{36})$/.exec(this.page)?.[1] ?? null;
  }

  /** From the link that the first start prints when nobody has an account yet. */
  get firstToken() {
    return /^#\/first\/([0-9a-f]+)$/.exec(this.page)?.[1] ?? null;
  }

  async start() {
    this.name = (await fetchMe()).name ?? null;
    this.ready = true;
  }

  /** Null when it worked, else what to tell the person. */
  async signIn(email: string, password: string): Promise<string | null> {
    const { error, response } = await api.POST("/api/sign-in", { body: { email, password } }).catch(() => ({
      error: undefined,
      response: null,
    }));
    if (!response) return "The server cannot be reached.";
    if (!response.ok) return messageOf(error);
    await this.start();
    return null;
  }

  async signOut() {
    await api.POST("/api/sign-out");
    location.hash = "#/";
    await this.start();
  }
}

export const session = new Session();
