<script setup lang="ts">
import ButtonLink from '../ui/ButtonLink.vue'
</script>

<template>
  <section class="none">
    <h1>There is nothing at this address</h1>
    <p>The link may be old. The pairs are one step away.</p>
    <ButtonLink main to="/pairs">To the pairs</ButtonLink>
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
