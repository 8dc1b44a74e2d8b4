// The runtime of the browser, and beside it the process that serves the page: what they answer is compared, call by call.
import { call } from "/cores/native.js";
import { dotnet as compiled } from "/_framework/dotnet.js?compiled";

globalThis.compared = { calls: {}, differences: [] };

function compare(name, given, answer) {
  const native = call(name, given);
  const { calls, differences } = globalThis.compared;
  calls[name] = (calls[name] ?? 0) + 1;
  if ((answer ?? null) !== native) {
    differences.push({ name, given, answer, native });
  }
  return answer;
}

const beside = (Bridge) =>
  new Proxy(Bridge, {
    get:
      (own, name) =>
      (...given) =>
        compare(name, given, own[name](...given)),
  });

export const dotnet = {
  withEnvironmentVariable(...given) {
    compiled.withEnvironmentVariable(...given);
    return dotnet;
  },
  withRuntimeOptions(...given) {
    compiled.withRuntimeOptions(...given);
    return dotnet;
  },
  async create() {
    const runtime = await compiled.create();
    return {
      getConfig: () => runtime.getConfig(),
      async getAssemblyExports(name) {
        const { Bridge } = (await runtime.getAssemblyExports(name)).KeepTally.Browser;
        return { KeepTally: { Browser: { Bridge: beside(Bridge) } } };
      },
    };
  },
};
