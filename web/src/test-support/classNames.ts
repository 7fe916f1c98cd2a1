/** Every class under its own name, as a CSS module gives them. */
export default new Proxy<Record<string, string>>({}, { get: (_all, name) => String(name) });
