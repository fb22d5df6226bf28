<template>
  <section class="none">
    <h1>There is nothing at this address</h1>
    <p>The link may be old. The pairs are one step away.</p>
    <RouterLink class="button main" to="/pairs">To the pairs</RouterLink>
  </section>
</template>

<style scoped>
.none {
  display: grid;
  justify-items: start;
  gap: 16px;
  padding: 48px 32px;
}
</style>
