// Timers of a hidden page are slowed down; those of a worker are not.
setInterval(() => {
  postMessage(null);
}, 100);
