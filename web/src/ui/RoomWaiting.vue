<template>
  <p class="wait" role="status">Fetching …</p>
</template>
