/** Asked once on each device: the shop's key, as it is printed where the server was started. */
export const keyPage = (wasWrong: boolean): string => `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Shop key · Ossatura</title>
<style>
body { font: 18px/1.4 sans-serif; margin: 0; background: #f4f0e6; color: #22262a; }
main { max-width: 28rem; margin: 12vh auto 0; padding: 0 1.25rem; }
input, button { font: inherit; min-height: 48px; width: 100%; box-sizing: border-box; padding: 0 .75rem; }
input { border: 2px solid #22262a; background: #fff; letter-spacing: .06em; }
button { margin-top: .75rem; border: 0; background: #22262a; color: #f4f0e6; font-weight: 600; }
label { display: block; padding: 1rem 0 .35rem; font-weight: 600; }
.wrong { color: #8a2f12; font-weight: 600; }
</style></head>
<body><main><h1>Shop key</h1>
<p>This server is open to other devices in the shop. Its key is printed where it was started.</p>
${wasWrong ? '<p class="wrong" role="alert">That is not the key. Nothing was changed.</p>' : ''}
<form method="get"><label for="key">Key</label><input id="key" name="key" autocomplete="off" autocapitalize="none" required autofocus>
<button>Let this device in</button></form></main></body></html>`;
