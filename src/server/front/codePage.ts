/**
 * The one page that is served to a phone that has not entered the code. It holds everything that it needs, since nothing else is served, and
 * tells nothing of what is behind it. `NONCE` stands for the nonce of the answer.
 */
export const CODE_PAGE = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<link rel="icon" href="data:,">
<title>Access code</title>
<style nonce="NONCE">
body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #0a1114; color: #eef4f3;
  font: 18px/1.45 "Atkinson Hyperlegible Next", system-ui, sans-serif; }
main { box-sizing: border-box; width: 100%; max-width: 420px; padding: 24px; }
h1 { margin: 0 0 8px; font-size: 28px; }
p { margin: 0 0 16px; color: #c4d2d6; }
label { display: block; margin-bottom: 6px; font-weight: 700; }
input, button { box-sizing: border-box; width: 100%; min-height: 60px; border-radius: 10px; font: inherit; }
input { padding: 0 14px; border: 1px solid #8fa5ac; background: #152127; color: #eef4f3; font-size: 28px;
  font-family: ui-monospace, monospace; letter-spacing: 3px; text-transform: uppercase; }
button { margin-top: 12px; border: 0; background: #ffb84d; color: #0a1114; font-weight: 700; }
button:disabled { opacity: 0.55; }
:focus-visible { outline: 3px solid #ffb84d; outline-offset: 2px; }
#said { min-height: 2.9em; margin-top: 14px; color: #ff8f8f; font-weight: 700; }
small { color: #8fa5ac; }
</style>
</head>
<body>
<main>
<h1>Access code</h1>
<p>It stands on the laptop, in the window in which the program was started and under Phones. This phone enters it once.</p>
<form id="form">
<label for="code">Code</label>
<input id="code" name="code" autocomplete="off" autocapitalize="characters" spellcheck="false" maxlength="20" required autofocus>
<button id="enter" type="submit">Let me in</button>
<p id="said" role="alert"></p>
</form>
<noscript><p>This page needs JavaScript.</p></noscript>
<small>Plain HTTP, for a network at home: others in the same network can read what is sent.</small>
</main>
<script nonce="NONCE">
const form = document.getElementById('form');
const code = document.getElementById('code');
const enter = document.getElementById('enter');
const said = document.getElementById('said');
// The code from the laptop's screen stands behind the # and is sent to nobody until the button is pressed.
code.value = /^#[0-9A-Za-z-]{8,10}$/.test(location.hash) ? location.hash.slice(1) : '';
form.addEventListener('submit', async (event) => {
  event.preventDefault();
  enter.disabled = true;
  said.textContent = '';
  try {
    const answer = await fetch('/enter', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code: code.value }),
    });
    if (answer.ok) return location.replace(location.pathname + location.search);
    const body = await answer.json();
    said.textContent = body.error;
    if (body.waitS) await new Promise((resume) => setTimeout(resume, body.waitS * 1000));
  } catch {
    said.textContent = 'The laptop cannot be reached: is this phone in the same network?';
  }
  enter.disabled = false;
  code.select();
});
</script>
</body>
</html>
`;
