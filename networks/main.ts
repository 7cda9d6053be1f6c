version https://git-lfs.github.com/spec/v1
oid sha256:855e2c01fdd47f68661f86ec5ab65556e07c2e933b620079c61987fe9a317266
size 8620968
