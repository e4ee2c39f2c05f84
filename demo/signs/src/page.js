const mark = document.querySelector('platform-mark');
const notice = document.querySelector('sign-notice');

mark.addEventListener('pointed', (event) => {
  notice.text = event.detail;
});
mark.addEventListener('pointd', () => {
  notice.text = 'Way out';
});
