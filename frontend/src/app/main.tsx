document.body.textContent="x";
