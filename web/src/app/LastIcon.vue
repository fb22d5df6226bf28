<template>
  <svg
    viewBox="0 0 24 24"
    width="26"
    height="26"
    fill="none"
    stroke="currentcolor"
    stroke-width="1.6"
    stroke-linejoin="round"
    aria-hidden="true"
  >
    <path
      d="M3.4 5.2h7.2c1.2 3.4 3.2 5.6 6.4 6.8 2.4.9 4 1.7 4 3.2 0 1.6-1.8 1.6-3.6 1.4-3.6-.4-5.4-1.8-8.4-2.4-2-.4-4-.5-5.4-.4C2.4 10.8 2.5 8 3.4 5.2Z"
    />
    <path d="M2.8 19.5h18.5" />
  </svg>
</template>
