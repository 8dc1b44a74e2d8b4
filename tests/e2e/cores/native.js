// Stands in for the runtime where a test does not need it: the same functions, answered by the process that serves the page (NativeCore).
const page = crypto.randomUUID();

export function call(name, given) {
  const request = new XMLHttpRequest();
  request.open("POST", `/cores/${name}?${page}`, false);
  request.send(JSON.stringify(given));
  if (request.status !== 200) {
    throw new Error(`${name}: ${request.status}`);
  }
  return JSON.parse(request.responseText);
}

// Asked for every frame, it is answered five times a second: each answer is a request.
const between = 200;
let [pulse, asked] = [-1, -between];
function pulseAt(now) {
  if (pulse < 0 || performance.now() - asked >= between) {
    [pulse, asked] = [call("Pulse", [now]), performance.now()];
  }
  return pulse;
}

const Bridge = new Proxy({ Pulse: pulseAt }, { get: (own, name) => own[name] ?? ((...given) => call(name, given)) });

export const dotnet = {
  withEnvironmentVariable: () => dotnet,
  withRuntimeOptions: () => dotnet,
  create: async () => ({
    getConfig: () => ({ mainAssemblyName: "KeepTally.Browser" }),
    getAssemblyExports: async () => ({ KeepTally: { Browser: { Bridge } } }),
  }),
};
