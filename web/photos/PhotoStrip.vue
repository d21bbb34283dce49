<script setup lang="ts">
/** Pictures in a row; each opens whole. */
defineProps<{ photos: readonly { readonly id: string; readonly caption: string }[]; large?: boolean }>()
</script>

<template>
  <ul :class="{ large }">
    <li v-for="photo in photos" :key="photo.id">
      <a :href="`/api/photos/${photo.id}.jpg`" target="_blank" rel="noopener">
        <img :src="`/api/photos/${photo.id}.jpg`" :alt="photo.caption" loading="lazy" />
      </a>
      <span class="small soft">{{ photo.caption }} <slot :photo="photo" /></span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
li {
  display: grid;
}
img {
  width: 130px;
  height: 88px;
  object-fit: cover;
  border: 1px solid var(--rule);
}
.large img {
  width: 220px;
  height: auto;
}
</style>
